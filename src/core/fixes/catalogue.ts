import { bypassEffects } from './bypass-effects';
import { closePrograms } from './close-programs';
import { lowerPreviewQuality } from './lower-preview-quality';
import { makeProxies } from './make-proxies';
import { smallerPreviewHeight } from './smaller-preview-height';
import { turnOnHardwareDecode } from './turn-on-hardware-decode';
import type { FixDefinition } from './types';

/** Every fix, cheapest and most reversible first. Adding one is adding a file and a line here, and its text in messages/fixes. */
const definitions = [
  closePrograms,
  lowerPreviewQuality,
  smallerPreviewHeight,
  bypassEffects,
  turnOnHardwareDecode,
  makeProxies,
] as const;

export type FixId = (typeof definitions)[number]['id'];

export const fixCatalogue: readonly FixDefinition<FixId>[] = definitions;

/** The fix of this id, or undefined: a card may name fixes of a newer Oil Can. */
export const findFix = (id: string): FixDefinition<FixId> | undefined => fixCatalogue.find((fix) => fix.id === id);
