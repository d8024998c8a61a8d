import type { Reading } from '../card';
import { readingSchema } from '../card';
import { fail, type Result, succeed } from '../result';

/** A file of readings alone, to take to another card or another program. */
export const readingsFormat = 'oil-can-readings';
export const readingsVersion = 1;

export type ReadingsFailure =
  | { readonly code: 'readings-not-read' }
  | { readonly code: 'readings-newer-version'; readonly version: number }
  | { readonly code: 'readings-field-invalid'; readonly index: number; readonly path: string };

/** Readings as the text of a JSON file. */
export const serializeReadings = (readings: readonly Reading[]): string =>
  `${JSON.stringify({ format: readingsFormat, version: readingsVersion, readings }, null, 2)}\n`;

/** Columns of a readings table, one line a reading; what has parts is written as JSON. */
export const readingColumns = Object.keys(readingSchema.def.shape) as readonly (keyof Reading)[];

const isPlain = (value: unknown): value is string | number => typeof value === 'string' || typeof value === 'number';

/** A reading as the cells of a table; an empty cell stands for nothing known. */
export const toReadingRecord = (reading: Reading): Readonly<Record<string, string>> =>
  Object.fromEntries(
    readingColumns.map((column) => {
      const value = reading[column];
      return [column, value === null ? '' : isPlain(value) ? String(value) : JSON.stringify(value)];
    }),
  );

const texts: ReadonlySet<string> = new Set(['id', 'stretch', 'recorderName', 'note']);

/** The value of a cell: text as it is, numbers and parts as JSON, nothing where it is empty. */
function fromCell(column: string, cell: unknown): unknown {
  if (texts.has(column)) return cell ?? '';
  if (typeof cell !== 'string') return cell;
  if (cell === '') return null;
  try {
    return JSON.parse(cell);
  } catch {
    return cell;
  }
}

function checkReadings(rows: readonly unknown[]): Result<readonly Reading[], ReadingsFailure> {
  const readings: Reading[] = [];
  for (const [index, row] of rows.entries()) {
    // Files that were written before recorders were seen name none.
    const parsed = readingSchema.safeParse(typeof row === 'object' ? { recorderName: '', ...row } : row);
    if (!parsed.success)
      return fail({ code: 'readings-field-invalid', index, path: (parsed.error.issues[0]?.path ?? []).join('.') });
    readings.push(parsed.data);
  }
  return succeed(readings);
}

/** Readings from the records of a table, as `toReadingRecord` writes them. Never throws. */
export function parseReadingRecords(
  records: readonly Readonly<Record<string, unknown>>[],
): Result<readonly Reading[], ReadingsFailure> {
  if (records.length === 0 || records.some((record) => !('shownFps' in record)))
    return fail({ code: 'readings-not-read' });
  return checkReadings(
    records.map((record) =>
      Object.fromEntries(readingColumns.map((column) => [column, fromCell(column, record[column])])),
    ),
  );
}

/** Readings from the text of a JSON file. Never throws. */
export function parseReadingsText(text: string): Result<readonly Reading[], ReadingsFailure> {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return fail({ code: 'readings-not-read' });
  }
  const { format, version, readings } = Object(document) as Readonly<Record<string, unknown>>;
  if (format !== readingsFormat || !Array.isArray(readings)) return fail({ code: 'readings-not-read' });
  if (typeof version !== 'number' || version > readingsVersion)
    return fail({ code: 'readings-newer-version', version: Number(version) });
  return checkReadings(readings);
}
