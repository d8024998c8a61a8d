'use client';

import { useEffect, useState } from 'react';
import { readOwnRecipes, storeOwnRecipes } from '@/adapters/browser/preferences';
import { saveTextFile } from '@/adapters/browser/save-file';
import {
  findOwnRecipe,
  type OwnRecipe,
  type ProxyRecipe,
  parseRecipes,
  serializeRecipes,
  withRecipes,
} from '@/core/proxies';
import { formatCount } from '@/messages/format';
import { nameRecipe, recipesFailureTexts } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { Row, Spaced } from '@/ui/layout';
import { SelectField } from '@/ui/SelectField';
import { TextField } from '@/ui/TextField';
import { useFilePicker } from '@/ui/use-file-picker';
import { useNotify } from '../shell/notices/notices';

interface OwnRecipesProps {
  readonly recipe: ProxyRecipe;
  readonly onRecipe: (recipe: ProxyRecipe) => void;
}

/** Recipes of the person's own: named, taken again, handed on as a file. */
export function OwnRecipes({ recipe, onRecipe }: OwnRecipesProps) {
  const notify = useNotify();
  const [recipes, setRecipes] = useState<readonly OwnRecipe[]>([]);
  useEffect(() => {
    readOwnRecipes().then((stored) => setRecipes((now) => withRecipes(stored, now)));
  }, []);
  const keep = (next: readonly OwnRecipe[]) => {
    setRecipes(next);
    storeOwnRecipes(next);
  };
  const current = findOwnRecipe(recipes, recipe);
  const rename = (typed: string): boolean => {
    const name = typed.trim();
    if (!current || name === '' || name.length > 60 || recipes.some((own) => own.name === name)) return false;
    keep(recipes.map((own) => (own === current ? { ...own, name } : own)));
    return true;
  };
  const take = async (file: File) => {
    const parsed = parseRecipes(await file.text());
    if (!parsed.ok) {
      notify({ kind: 'alarm', text: `${file.name}: ${recipesFailureTexts[parsed.failure.code]}` });
      return;
    }
    keep(withRecipes(recipes, parsed.value));
    notify({ kind: 'info', text: `Took ${formatCount(parsed.value.length, 'recipe')} from ${file.name}.` });
  };
  const picker = useFilePicker({
    label: 'Choose a file of recipes',
    accept: '.json,application/json',
    onFiles: ([file]) => file && take(file),
  });
  return (
    <Spaced $abovePx={12}>
      {picker.input}
      <Row $isAtFoot>
        {recipes.length > 0 && (
          <SelectField
            label="Recipes of your own"
            value={current?.name ?? null}
            placeholder="none of them"
            options={recipes.map(({ name }) => ({ value: name, label: name }))}
            onChange={(name) => {
              const chosen = recipes.find((own) => own.name === name);
              if (chosen)
                onRecipe({
                  lines: chosen.lines,
                  share: chosen.share,
                  keyFrames: chosen.keyFrames,
                  grade: chosen.grade,
                });
            }}
          />
        )}
        {current ? (
          <>
            <TextField label="Its name" value={current.name} onCommit={rename} />
            <Button variant="quiet" onPress={() => keep(recipes.filter(({ name }) => name !== current.name))}>
              Forget it
            </Button>
          </>
        ) : (
          <Button variant="quiet" onPress={() => keep(withRecipes(recipes, [{ ...recipe, name: nameRecipe(recipe) }]))}>
            Keep this recipe
          </Button>
        )}
        {recipes.length > 0 && (
          <Button variant="quiet" onPress={() => saveTextFile('proxy-recipes.json', serializeRecipes(recipes))}>
            Export
          </Button>
        )}
        <Button variant="quiet" onPress={picker.open}>
          Import
        </Button>
      </Row>
    </Spaced>
  );
}
