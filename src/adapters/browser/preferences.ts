import { type OwnRecipe, parseRecipes, serializeRecipes } from '@/core/proxies';
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

const recipesKey = 'proxy-recipes';

/** The person's own recipes for proxies; none where none were stored, or where storage is refused. */
export async function readOwnRecipes(): Promise<readonly OwnRecipe[]> {
  try {
    const row = await withDatabase((database) => database.meta.get(recipesKey));
    const parsed = row ? parseRecipes(row.value) : null;
    return parsed?.ok ? parsed.value : [];
  } catch {
    // As above: the three fields make any of them again.
    return [];
  }
}

/** Stores them. Resolves also where storage is refused: they then last as long as the page. */
export async function storeOwnRecipes(recipes: readonly OwnRecipe[]): Promise<void> {
  try {
    await withDatabase((database) => database.meta.put({ key: recipesKey, value: serializeRecipes(recipes) }));
  } catch {
    // As above.
  }
}
