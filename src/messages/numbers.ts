import { assertNever } from '@/core/assert-never';

/** What became of a text in a number field; the codes are those of the field. */
type NumberNote =
  | { readonly code: 'read-as'; readonly value: number }
  | { readonly code: 'not-a-number' | 'not-whole' | 'out-of-range'; readonly typed: string };

interface NumberRange {
  readonly minValue: number;
  readonly maxValue: number;
  readonly unit?: string | undefined;
}

const figures = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 3, useGrouping: false });
const shortened = (typed: string): string => (typed.length > 24 ? `${typed.slice(0, 23)}…` : typed);

/** What was changed or refused of what was typed, with the range and the unit. */
export function describeNumberNote(note: NumberNote, { minValue, maxValue, unit }: NumberRange): string {
  const inUnit = unit === undefined ? '' : ` ${unit}`;
  const range = `${figures.format(minValue)} to ${figures.format(maxValue)}${inUnit}`;
  switch (note.code) {
    case 'read-as':
      return `Read as ${figures.format(note.value)}${inUnit}.`;
    case 'not-a-number':
      return `“${shortened(note.typed)}” is not stored: it takes digits, with a comma or a point, from ${range}.`;
    case 'not-whole':
      return `“${shortened(note.typed)}” is not stored: it takes whole numbers, from ${range}.`;
    case 'out-of-range':
      return `“${shortened(note.typed)}” is not stored: it takes ${range}.`;
    default:
      return assertNever(note);
  }
}
