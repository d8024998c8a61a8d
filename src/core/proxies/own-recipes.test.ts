import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import {
  findOwnRecipe,
  mostOwnRecipes,
  type OwnRecipe,
  parseRecipes,
  serializeRecipes,
  usualRecipe,
  withRecipes,
} from '.';

const own = (name: string, lines = 540): OwnRecipe => ({ ...usualRecipe, lines, name });

describe('own recipes', () => {
  it('are read as they were written, and nothing else is', () => {
    const recipes = [own('for the train', 360), own('grading', 1080)];
    expect(parseRecipes(serializeRecipes(recipes))).toEqual({ ok: true, value: recipes });
    expect(parseRecipes('{"format"')).toEqual({ ok: false, failure: { code: 'recipes-not-json' } });
    fc.assert(
      fc.property(fc.json(), (text) => {
        expect(parseRecipes(text)).toEqual({ ok: false, failure: { code: 'recipes-not-these' } });
      }),
      propertyRuns,
    );
  });

  it('take the place of those of their names, and are kept up to a number', () => {
    expect(withRecipes([own('a', 360), own('b')], [own('a', 720)])).toEqual([own('a', 720), own('b')]);
    const many = Array.from({ length: mostOwnRecipes + 5 }, (_, i) => own(`r${i}`));
    expect(withRecipes(many, [own('new')])).toHaveLength(mostOwnRecipes);
  });

  it('are known by what they say', () => {
    expect(findOwnRecipe([own('a', 360)], { ...usualRecipe, lines: 360 })?.name).toBe('a');
    expect(findOwnRecipe([own('a', 360)], usualRecipe)).toBeNull();
  });
});
