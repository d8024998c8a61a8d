'use client';

import { bitrateGrades, keyFrameWays, type ProxyRecipe } from '@/core/proxies';
import { describeRecipe, gradeTexts, keyFrameWayTexts } from '@/messages/proxies';
import { FieldGrid, Soft } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { TextField } from '@/ui/TextField';
import { isSuffixUsable } from './choice-state';

const allLines = [360, 540, 720, 1080] as const;

interface RecipeFieldsProps {
  readonly recipe: ProxyRecipe;
  readonly suffix: string;
  readonly onRecipe: (change: Partial<ProxyRecipe>) => void;
  readonly onSuffix: (suffix: string) => void;
}

/** How proxies are made. */
export function RecipeFields({ recipe, suffix, onRecipe, onSuffix }: RecipeFieldsProps) {
  return (
    <>
      <FieldGrid>
        <SegmentedField
          label="Lines"
          value={String(recipe.lines)}
          options={allLines.map((lines) => ({ value: String(lines), label: lines }))}
          onChange={(lines) => onRecipe({ lines: Number(lines) })}
        />
        <SegmentedField
          label="Key frames"
          value={recipe.keyFrames}
          options={keyFrameWays.map((way) => ({ value: way, label: keyFrameWayTexts[way] }))}
          onChange={(keyFrames) => onRecipe({ keyFrames })}
        />
        <SegmentedField
          label="Bit rate"
          value={recipe.grade}
          options={bitrateGrades.map((grade) => ({ value: grade, label: gradeTexts[grade] }))}
          onChange={(grade) => onRecipe({ grade })}
        />
        <TextField
          label="Ending of the name"
          value={suffix}
          onCommit={(typed) => {
            if (!isSuffixUsable(typed)) return false;
            onSuffix(typed);
            return true;
          }}
        />
      </FieldGrid>
      <Soft>
        {describeRecipe(recipe)} H.264, with the sound, the rate and every frame of the original; barn.mov becomes barn
        {suffix}.mp4.
      </Soft>
    </>
  );
}
