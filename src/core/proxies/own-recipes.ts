import {
  _default,
  array,
  enum as enumOf,
  gt,
  gte,
  int,
  literal,
  lte,
  maxLength,
  minLength,
  nullable,
  number,
  object,
  string,
} from 'zod/mini';
import { fail, type Result, succeed } from '../result';
import { bitrateGrades, keyFrameWays, type ProxyRecipe } from './recipe';

/** A recipe that the person made and named. */
export interface OwnRecipe extends ProxyRecipe {
  readonly name: string;
}

/** Why a file holds no recipes. */
export type RecipesFailure = { readonly code: 'recipes-not-json' | 'recipes-not-these' };

export const mostOwnRecipes = 40;
const format = 'oil-can-proxy-recipes';

/** Recipes that were kept before there were shares have none. */
export const recipeShare = _default(nullable(number().check(gt(0), lte(1))), null);

const recipeSchema = object({
  name: string().check(minLength(1), maxLength(60)),
  lines: int().check(gte(2), lte(65_536)),
  share: recipeShare,
  keyFrames: enumOf(keyFrameWays),
  grade: enumOf(bitrateGrades),
});
const schema = object({
  format: literal(format),
  version: literal(1),
  recipes: array(recipeSchema).check(maxLength(mostOwnRecipes)),
});

/** Recipes as a file that can be handed on. */
export const serializeRecipes = (recipes: readonly OwnRecipe[]): string =>
  `${JSON.stringify({ format, version: 1, recipes }, null, 2)}\n`;

/** Reads such a file. Never throws. */
export function parseRecipes(text: string): Result<readonly OwnRecipe[], RecipesFailure> {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return fail({ code: 'recipes-not-json' });
  }
  const parsed = schema.safeParse(document);
  return parsed.success ? succeed(parsed.data.recipes) : fail({ code: 'recipes-not-these' });
}

/** The list with recipes put in: each in the place of the one of its name, the newest first, as many as are kept. */
export function withRecipes(recipes: readonly OwnRecipe[], added: readonly OwnRecipe[]): readonly OwnRecipe[] {
  const names = new Set(added.map(({ name }) => name));
  return [...added, ...recipes.filter(({ name }) => !names.has(name))].slice(0, mostOwnRecipes);
}

const isSame = (a: ProxyRecipe, b: ProxyRecipe): boolean =>
  (a.share === null ? b.share === null && a.lines === b.lines : a.share === b.share) &&
  a.keyFrames === b.keyFrames &&
  a.grade === b.grade;

/** The own recipe that says the same; null for none. */
export const findOwnRecipe = (recipes: readonly OwnRecipe[], recipe: ProxyRecipe): OwnRecipe | null =>
  recipes.find((own) => isSame(own, recipe)) ?? null;
