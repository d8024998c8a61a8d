/**
 * How even frames are in size, from their sizes in bytes: the mean root over the root of the mean, above 0 to 1, where 1 is all
 * alike. A screen that hardly changes has nearly all of its bits in key frames; two clips of one bit rate can so differ by half
 * in what decoding takes. Null where there is nothing to go by.
 */
export function sizeEvennessOf(sizesBytes: readonly number[]): number | null {
  let [bytes, roots] = [0, 0];
  for (const size of sizesBytes) {
    bytes += size;
    roots += Math.sqrt(size);
  }
  return bytes > 0 ? Math.min(1, roots / Math.sqrt(sizesBytes.length * bytes)) : null;
}
