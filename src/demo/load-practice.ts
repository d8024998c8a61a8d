import { type PracticeFile, parsePracticeFile } from '@/core/practice';

/** Loads what is hidden in the demo cards' practice machines. Throws if a file is not valid, which a test rules out. */
export async function loadPracticeFiles(): Promise<readonly PracticeFile[]> {
  const files = await Promise.all([
    import('./practice/decode-bound.json'),
    import('./practice/effects-bound.json'),
    import('./practice/programs-busy.json'),
  ]);
  return files.map((file) => {
    const parsed = parsePracticeFile(file.default);
    if (!parsed.ok) throw new Error(`loadPracticeFiles: ${JSON.stringify(parsed.failure)}`);
    return parsed.value;
  });
}
