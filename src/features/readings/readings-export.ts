import { parse, unparse } from 'papaparse';
import { saveTextFile } from '@/adapters/browser/save-file';
import type { JobCard, Reading } from '@/core/card';
import {
  parseReadingRecords,
  parseReadingsText,
  type ReadingsFailure,
  readingColumns,
  serializeReadings,
  toReadingRecord,
} from '@/core/readings';
import type { Result } from '@/core/result';

/** Readings as CSV: a head of ids, then a line a reading. */
export const toReadingsCsv = (readings: readonly Reading[]): string =>
  `${unparse({ fields: [...readingColumns], data: readings.map(toReadingRecord) }, { newline: '\r\n' })}\r\n`;

/** Readings from a file of either form, told apart by how it begins. Never throws. */
export function readReadings(text: string): Result<readonly Reading[], ReadingsFailure> {
  const plain = text.replace(/^\uFEFF/, '');
  if (/^\s*[{[]/.test(plain)) return parseReadingsText(plain);
  const { data } = parse<Readonly<Record<string, unknown>>>(plain, { header: true, skipEmptyLines: true });
  return parseReadingRecords(data);
}

/** Hands the card's readings to the browser as a download. */
export function exportReadings({ readings, title }: JobCard, format: 'csv' | 'json'): void {
  const stem = `${title.replace(/[^\p{L}\p{N} _-]/gu, '').trim() || 'card'} readings`;
  if (format === 'csv') saveTextFile(`${stem}.csv`, toReadingsCsv(readings), 'text/csv');
  else saveTextFile(`${stem}.json`, serializeReadings(readings));
}
