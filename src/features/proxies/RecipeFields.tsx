'use client';

import { bitrateGrades, keyFrameWays, type ProxyRecipe } from '@/core/proxies';
import { describeRecipe, gradeTexts, keyFrameWayTexts } from '@/messages/proxies';
import { FieldGrid, Soft } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { TextField } from '@/ui/TextField';
import { isSuffixUsable } from './choice-state';

/** Sizes to choose from: lines, or a share of each original's. */
const sizes = [
  ...([360, 540, 720, 1080] as const).map((lines) => ({
    value: `${lines}`,
    label: lines,
    size: { lines, share: null },
  })),
  ...([2, 4] as const).map((part) => ({ value: `1/${part}`, label: `1/${part}`, size: { share: 1 / part } })),
];
const sizeOf = ({ lines, share }: ProxyRecipe): string =>
  share === null ? String(lines) : `1/${Math.round(1 / share)}`;

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
      <FieldGrid $leastPx={300}>
        <SegmentedField
          label="Lines"
          value={sizeOf(recipe)}
          options={sizes}
          onChange={(value) => onRecipe(sizes.find((size) => size.value === value)?.size ?? {})}
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
