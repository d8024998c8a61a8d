/** A whole number, or null where a cell is none. */
export function readWhole(cell: string | undefined): number | null {
  if (cell === undefined || !/^\s*\d{1,15}\s*$/.test(cell)) return null;
  return Number(cell);
}

/**
 * A number with a comma or a point before its decimals and marks between its thousands; the last mark is the one before the
 * decimals, unless it occurs more than once. Null where a cell is none.
 */
export function readDecimal(cell: string | undefined): number | null {
  if (cell === undefined || cell.length > 40) return null;
  const plain = cell.replace(/[\s\u00a0\u202f'’]/g, '');
  if (!/^\d[\d.,]*$/.test(plain)) return null;
  const at = Math.max(plain.lastIndexOf('.'), plain.lastIndexOf(','));
  const digits = (text: string): string => text.replace(/[.,]/g, '');
  if (at < 0 || plain.indexOf(plain[at] as string) !== at) return Number(digits(plain));
  return Number(`${digits(plain.slice(0, at))}.${plain.slice(at + 1) || '0'}`);
}

/** The processor's time "1:02:03", "2:03.45" or "1-02:03:04" in seconds; null where a cell is none. */
export function readProcessorSec(cell: string | undefined): number | null {
  const match = /^\s*(?:(\d{1,5})-)?(?:(\d{1,6}):)?(\d{1,6}):(\d{1,2}(?:[.,]\d{1,6})?)\s*$/.exec(cell ?? '');
  if (!match) return null;
  const [, days = '0', hours = '0', minutes, seconds = '0'] = match;
  return 86_400 * Number(days) + 3600 * Number(hours) + 60 * Number(minutes) + Number(seconds.replace(',', '.'));
}
