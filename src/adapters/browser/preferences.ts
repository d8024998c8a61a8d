import { withDatabase } from './card-database';

/** Widths of a table's columns by their ids, in pixels. */
export type ColumnWidths = Readonly<Record<string, number>>;

const isWidths = (value: unknown): value is ColumnWidths =>
  typeof value === 'object' &&
  value !== null &&
  Object.values(value).every((width) => typeof width === 'number' && width >= 20 && width <= 2000);

const keyOf = (table: string): string => `column-widths:${table}`;

/** The widths that were stored for a table; none where nothing was, or where storage is refused. */
export async function readColumnWidths(table: string): Promise<ColumnWidths> {
  try {
    const row = await withDatabase((database) => database.meta.get(keyOf(table)));
    const value: unknown = row ? JSON.parse(row.value) : {};
    return isWidths(value) ? value : {};
  } catch {
    // Widths are a comfort: without storage the table has its own.
    return {};
  }
}

/** Stores the widths of a table. Resolves also where storage is refused: they then last as long as the page. */
export async function storeColumnWidths(table: string, widths: ColumnWidths): Promise<void> {
  try {
    await withDatabase((database) => database.meta.put({ key: keyOf(table), value: JSON.stringify(widths) }));
  } catch {
    // As above: nothing of the card depends on it.
  }
}
