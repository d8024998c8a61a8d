import { withHidden, withMachine, withPreview } from '../../load/change-state';
import { graphicsNeededMib } from '../../load/memory';
import { canHardwareDecode, isGraphicsDrawing, isHardwareDecoding } from '../../load/state-facts';
import type { Setup } from '../../load/types';
import { shortOf } from '../thresholds';
import type { CauseDefinition } from '../types';
import { byAnswer, hasTrouble, troubleFault, withoutTroubles } from './troubles';

const canDraw = (setup: Setup): boolean => setup.machine.graphicsRatio > 1;

/** People say that a switch is off where it is on: they looked at another one, or at another project. Assumption. */
const saidOff = { yes: 0, no: 0.07, unknown: 0 } as const;

/** How much likelier a switch is off by what is said of the other one on its page. Assumption. */
const besides = { yes: 0.7, no: 1.4, unknown: 1 } as const;

/** The graphics could decode these clips and are not asked to. */
export const hardwareDecodeOff = {
  kind: 'configuration',
  id: 'hardware-decode-off',
  faults: [
    {
      variant: 'off',
      page: 'acceleration',
      odds: (setup) =>
        canHardwareDecode(setup)
          ? byAnswer(setup.preview.hardwareDecode, { yes: 0.03, no: 0, unknown: 0.25 }) *
            byAnswer(setup.preview.graphicsDrawing, besides)
          : 0,
      suppose: (state) => withHidden(state, { hardwareDecode: 'no' }),
    },
    {
      variant: 'on-after-all',
      odds: (setup) => (canHardwareDecode(setup) ? byAnswer(setup.preview.hardwareDecode, saidOff) : 0),
      suppose: (state) => withHidden(state, { hardwareDecode: 'yes' }),
    },
  ],
  isPresent: (state) => isHardwareDecoding(state) === 'no' && canHardwareDecode(state.setup),
  repair: (state) => withHidden(withPreview(state, { hardwareDecode: 'yes' }), { hardwareDecode: 'yes' }),
  supposeNone: (state) =>
    isHardwareDecoding(state) === 'unknown' ? withHidden(state, { hardwareDecode: 'yes' }) : state,
} as const satisfies CauseDefinition;

/** Hardware decoding is on and worse than software: a faulty driver, or more streams than it takes. */
export const hardwareDecodeUnreliable = {
  kind: 'configuration',
  id: 'hardware-decode-unreliable',
  faults: [
    troubleFault(
      'hardwareDecode',
      (setup) =>
        canHardwareDecode(setup) ? byAnswer(setup.preview.hardwareDecode, { yes: 0.06, no: 0.004, unknown: 0.05 }) : 0,
      (state) => withHidden(state, { hardwareDecode: 'yes' }),
    ),
  ],
  isPresent: (state) => hasTrouble(state, 'hardwareDecode') && isHardwareDecoding(state) !== 'no',
  repair: (state) => withoutTroubles(state, 'hardwareDecode'),
} as const satisfies CauseDefinition;

/** The editor draws effects and layers on the processor although there are graphics to do it. */
export const graphicsDrawingOff = {
  kind: 'configuration',
  id: 'graphics-drawing-off',
  faults: [
    {
      variant: 'off',
      page: 'acceleration',
      odds: (setup) =>
        canDraw(setup)
          ? byAnswer(setup.preview.graphicsDrawing, { yes: 0.03, no: 0, unknown: 0.25 }) *
            byAnswer(setup.preview.hardwareDecode, besides)
          : 0,
      suppose: (state) => withHidden(state, { graphicsDrawing: 'no' }),
    },
    {
      variant: 'on-after-all',
      odds: (setup) => (canDraw(setup) ? byAnswer(setup.preview.graphicsDrawing, saidOff) : 0),
      suppose: (state) => withHidden(state, { graphicsDrawing: 'yes' }),
    },
  ],
  isPresent: (state) => isGraphicsDrawing(state) === 'no' && canDraw(state.setup),
  repair: (state) => withHidden(withPreview(state, { graphicsDrawing: 'yes' }), { graphicsDrawing: 'yes' }),
  supposeNone: (state) =>
    isGraphicsDrawing(state) === 'unknown' ? withHidden(state, { graphicsDrawing: 'yes' }) : state,
} as const satisfies CauseDefinition;

/** Drawing on the graphics is on and worse than on the processor: a faulty driver. */
export const graphicsDrawingUnreliable = {
  kind: 'configuration',
  id: 'graphics-drawing-unreliable',
  faults: [
    troubleFault(
      'graphicsDrawing',
      (setup) =>
        canDraw(setup) ? byAnswer(setup.preview.graphicsDrawing, { yes: 0.06, no: 0.004, unknown: 0.05 }) : 0,
      (state) => withHidden(state, { graphicsDrawing: 'yes' }),
    ),
  ],
  isPresent: (state) => hasTrouble(state, 'graphicsDrawing') && isGraphicsDrawing(state) !== 'no',
  repair: (state) => withoutTroubles(state, 'graphicsDrawing'),
} as const satisfies CauseDefinition;

/** The pictures do not fit into graphics memory. */
export const graphicsMemoryShort = {
  kind: 'configuration',
  id: 'graphics-memory-short',
  faults: [
    troubleFault(
      'graphicsMemory',
      (setup) => (canDraw(setup) && setup.preview.graphicsDrawing !== 'no' ? 0.05 : 0),
      (state) => withHidden(state, { graphicsDrawing: 'yes' }),
    ),
  ],
  isPresent: (state) =>
    isGraphicsDrawing(state) !== 'no' &&
    canDraw(state.setup) &&
    (hasTrouble(state, 'graphicsMemory') ||
      graphicsNeededMib(state.setup) > shortOf.graphicsMemory * state.setup.machine.graphicsMemoryMib),
  repair: (state) => withoutTroubles(withMachine(state, { graphicsMemoryMib: 65_536 }), 'graphicsMemory'),
  // What takes it may have come; the graphics never had more.
  asBefore: (state) => withoutTroubles(state, 'graphicsMemory'),
} as const satisfies CauseDefinition;

/** The slower of two graphics does the work. */
export const wrongGraphics = {
  kind: 'configuration',
  id: 'wrong-graphics',
  faults: [
    {
      variant: 'slower',
      odds: (setup) =>
        setup.machine.graphicsRatio > 6
          ? byAnswer(setup.machine.hasSecondGraphics, { yes: 0.15, no: 0.008, unknown: 0.06 })
          : 0,
      suppose: (state) => withHidden(state, { isOnSlowGraphics: true, graphicsDrawing: 'yes' }),
    },
  ],
  isPresent: (state) => state.hidden.isOnSlowGraphics,
  repair: (state) => withHidden(state, { isOnSlowGraphics: false }),
} as const satisfies CauseDefinition;
