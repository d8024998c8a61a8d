import { unparse } from 'papaparse';
import { saveTextFile } from '@/adapters/browser/save-file';
import { type ClipRow, listClipRecords } from '@/core/diagnose';

/**
 * The rows as CSV: a head of ids, then a line a clip. A text that a table program would take for a formula gets an
 * apostrophe before it; file names can hold anything.
 */
export const toClipCsv = (rows: readonly ClipRow[]): string =>
  `${unparse([...listClipRecords(rows)], { escapeFormulae: true, newline: '\r\n' })}\r\n`;

/** The rows as JSON, with every fact, as read. */
export const toClipJson = (rows: readonly ClipRow[]): string =>
  `${JSON.stringify(
    rows.map(({ facts, folder, traits, hardware, cost }) => ({ ...facts, folder, traits, hardware, cost })),
    null,
    2,
  )}\n`;

/** Hands the rows to the browser as a download. */
export function exportClips(rows: readonly ClipRow[], format: 'csv' | 'json', cardTitle: string): void {
  const stem = `${cardTitle.replace(/[^\p{L}\p{N} _-]/gu, '').trim() || 'card'} clips`;
  if (format === 'csv') saveTextFile(`${stem}.csv`, toClipCsv(rows), 'text/csv');
  else saveTextFile(`${stem}.json`, toClipJson(rows));
}
