'use client';

import type { PictureRegion } from '@/core/meter';
import { NumberField } from '../fields/NumberField';

const fields = [
  ['xPx', 'Part, from the left'],
  ['yPx', 'Part, from the top'],
  ['widthPx', 'Part, width'],
  ['heightPx', 'Part, height'],
] as const;

interface PartFieldsProps {
  readonly part: PictureRegion;
  readonly size: { readonly widthPx: number; readonly heightPx: number } | null;
  readonly onChange: (part: PictureRegion) => void;
}

/** The part that is measured, in figures. */
export function PartFields({ part, size, onChange }: PartFieldsProps) {
  return fields.map(([key, label]) => (
    <NumberField
      key={key}
      label={label}
      unit="px"
      minValue={key === 'widthPx' || key === 'heightPx' ? 8 : 0}
      maxValue={key === 'xPx' || key === 'widthPx' ? (size?.widthPx ?? 16_384) : (size?.heightPx ?? 16_384)}
      value={part[key]}
      onChange={(value) => value !== null && onChange({ ...part, [key]: value })}
    />
  ));
}
