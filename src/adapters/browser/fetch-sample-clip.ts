/** Where the clip lies that ships with Oil Can. */
const samplePath = '/samples/steady.mp4';
const sampleName = 'sample-steady.mp4';

/** The clip that ships with Oil Can, as if it had been chosen; null where the server does not give it. Never rejects. */
export async function fetchSampleClip(): Promise<File | null> {
  try {
    const answer = await fetch(samplePath);
    if (!answer.ok) return null;
    // The same file at each try: a proxy of it is not taken for one of another.
    return new File([await answer.blob()], sampleName, { type: 'video/mp4', lastModified: 0 });
  } catch {
    return null;
  }
}
