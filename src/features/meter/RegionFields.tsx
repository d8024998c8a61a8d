'use client';

import type { PictureRegion } from '@/core/meter';
import { NumberField } from '../fields/NumberField';

const fields = [
  ['xPx', 'Part, from the left'],
  ['yPx', 'Part, from the top'],
  ['widthPx', 'Part, width'],
  ['heightPx', 'Part, height'],
] as const;

interface RegionFieldsProps {
  readonly region: PictureRegion;
  readonly size: { readonly widthPx: number; readonly heightPx: number } | null;
  readonly onChange: (region: PictureRegion) => void;
}

/** The region that is measured, in figures. */
export function RegionFields({ region, size, onChange }: RegionFieldsProps) {
  return fields.map(([key, label]) => (
    <NumberField
      key={key}
      label={label}
      unit="px"
      minValue={key === 'widthPx' || key === 'heightPx' ? 8 : 0}
      maxValue={key === 'xPx' || key === 'widthPx' ? (size?.widthPx ?? 16_384) : (size?.heightPx ?? 16_384)}
      value={region[key]}
      onChange={(value) => value !== null && onChange({ ...region, [key]: value })}
    />
  ));
}
