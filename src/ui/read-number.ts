/** What a number field takes. */
export interface NumberSpec {
  readonly minValue: number;
  readonly maxValue: number;
  /** Digits after the point; 0 for whole numbers. */
  readonly fractionDigits: number;
  /** Whether an emptied field says that nothing is known; else the stored value comes back. True where not given. */
  readonly canBeEmpty?: boolean;
}

/** What is said below a field of what was typed. */
export type NumberNote =
  /** It was taken in another form than it was typed. */
  | { readonly code: 'read-as'; readonly value: number }
  | { readonly code: 'not-a-number'; readonly typed: string }
  | { readonly code: 'not-whole'; readonly typed: string }
  | { readonly code: 'out-of-range'; readonly typed: string };

/** What a text in a number field stands for. A refused one has no value; nothing of a text is ever left out in silence. */
export interface ReadNumber {
  readonly kind: 'empty' | 'taken' | 'refused';
  readonly value: number | null;
  readonly note: NumberNote | null;
}

const empty: ReadNumber = { kind: 'empty', value: null, note: null };

/** Digits in groups of three, as people write thousands: by spaces, points, commas or apostrophes. */
const grouped = /^\d{1,3}(?:([ .,'’\u00a0\u202f])\d{3})(?:\1\d{3})*$/;

/** The number of a text without sign, or null where it is none. Comma and point are taken alike, in every locale. */
function parseUnsigned(text: string, { fractionDigits }: NumberSpec): { value: number; isPlain: boolean } | null {
  const lastMark = Math.max(text.lastIndexOf('.'), text.lastIndexOf(','));
  const marks = [...text].filter((letter) => letter === '.' || letter === ',');
  // "1.080" lines are a thousand and eighty where there are no fractions; "1.080" seconds are not.
  const isGrouping = grouped.test(text) && (fractionDigits === 0 || marks.length !== 1);
  const hasFraction = lastMark >= 0 && !isGrouping;
  const whole = hasFraction ? text.slice(0, lastMark) : text;
  const fraction = hasFraction ? text.slice(lastMark + 1) : '';
  if (!/^\d*$/.test(fraction)) return null;
  const isWholeGrouped = grouped.test(whole);
  if (!isWholeGrouped && !/^\d*$/.test(whole)) return null;
  // One mark cannot group and divide at once.
  if (isWholeGrouped && hasFraction && whole.includes(text[lastMark] as string)) return null;
  const digits = whole.replace(/\D/g, '');
  if (digits === '' && fraction === '') return null;
  return { value: Number(`${digits || '0'}.${fraction || '0'}`), isPlain: !isWholeGrouped };
}

/**
 * Reads what stands in a number field: digits with a comma or a point, thousands in groups or not. A value out of range,
 * a sign where none can be, or anything that is no number is refused and said, never cut to fit.
 */
export function readNumber(typed: string, spec: NumberSpec): ReadNumber {
  const text = typed.trim();
  if (text === '') return empty;
  const isNegative = /^[-−]/.test(text);
  const parsed = parseUnsigned(text.replace(/^[-−+]\s*/, ''), spec);
  if (!parsed) return { kind: 'refused', value: null, note: { code: 'not-a-number', typed: text } };
  const exact = isNegative ? -parsed.value : parsed.value;
  const scale = 10 ** spec.fractionDigits;
  const value = Math.round(exact * scale) / scale;
  const isRounded = Math.abs(value - exact) > 1e-9;
  if (isRounded && spec.fractionDigits === 0)
    return { kind: 'refused', value: null, note: { code: 'not-whole', typed: text } };
  if (value < spec.minValue || value > spec.maxValue)
    return { kind: 'refused', value: null, note: { code: 'out-of-range', typed: text } };
  return { kind: 'taken', value, note: isRounded || !parsed.isPlain ? { code: 'read-as', value } : null };
}

/** A number as it stands in a field: a point, no groups. */
export const writeNumber = (value: number | null, fractionDigits: number): string =>
  value === null ? '' : String(Math.round(value * 10 ** fractionDigits) / 10 ** fractionDigits);
