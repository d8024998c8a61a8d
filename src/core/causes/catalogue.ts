import { decodeHeavy } from './decode-heavy';
import { driveSlow } from './drive-slow';
import { effectsHeavy } from './effects-heavy';
import { graphicsDrawingOff } from './graphics-drawing-off';
import { hardwareDecodeOff } from './hardware-decode-off';
import { layersHeavy } from './layers-heavy';
import { memoryShort } from './memory-short';
import { powerOrHeat } from './power-or-heat';
import { previewTooLarge } from './preview-too-large';
import { programsBusy } from './programs-busy';
import type { CauseDefinition } from './types';

/** Every cause. Adding one is adding a file and a line here, and its text in messages/causes. */
const definitions = [
  programsBusy,
  powerOrHeat,
  memoryShort,
  driveSlow,
  hardwareDecodeOff,
  graphicsDrawingOff,
  decodeHeavy,
  effectsHeavy,
  layersHeavy,
  previewTooLarge,
] as const;

export type CauseId = (typeof definitions)[number]['id'];

export const causeCatalogue: readonly CauseDefinition<CauseId>[] = definitions;
