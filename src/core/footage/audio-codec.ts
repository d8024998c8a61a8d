/** ffprobe's names where the reader's differ. */
const codecByReaderName: Readonly<Record<string, string>> = { ulaw: 'pcm_mulaw', alaw: 'pcm_alaw' };

/**
 * A sound codec under ffprobe's codec_name, from the reader's name. Uncompressed sound is "pcm-s16" there for little
 * and "pcm-s16be" for big end first; ffprobe says which of the two in either case, but for single bytes.
 */
export function nameAudioCodec(readerName: string): string {
  const known = codecByReaderName[readerName];
  if (known) return known;
  if (!readerName.startsWith('pcm-')) return readerName;
  const name = readerName.replace('-', '_');
  return /(16|24|32|64)$/.test(name) ? `${name}le` : name;
}
