import { withEditor, withHidden, withMachine, withPreview, withTroubles } from '../../load/change-state';
import { canHardwareDecode } from '../../load/state-facts';
import type { SetupState } from '../../load/types';
import { define } from '../define';

const hasGraphics = ({ setup }: SetupState): boolean => setup.machine.graphicsRatio > 1;

/** What the graphics do, and which. */
export const graphicsFixes = [
  define('turn-on-hardware-decode', {
    levelsFor: (state) => state.setup.preview.hardwareDecode !== 'yes' && canHardwareDecode(state.setup),
    applyTo: (state) => withHidden(withPreview(state, { hardwareDecode: 'yes' }), { hardwareDecode: 'unknown' }),
    minutes: 4,
    // A faulty driver can make it worse than software.
    sacrifice: { risk: 0.1 },
    requires: ['save', 'restart'],
    excludes: ['turn-off-hardware-decode'],
  }),
  define('turn-off-hardware-decode', {
    levelsFor: (state) => state.setup.preview.hardwareDecode !== 'no' && canHardwareDecode(state.setup),
    applyTo: (state) => withHidden(withPreview(state, { hardwareDecode: 'no' }), { hardwareDecode: 'unknown' }),
    minutes: 4,
    sacrifice: { risk: 0.05 },
    requires: ['save', 'restart'],
  }),
  define('turn-on-graphics-drawing', {
    levelsFor: (state) => state.setup.preview.graphicsDrawing !== 'yes' && hasGraphics(state),
    applyTo: (state) => withHidden(withPreview(state, { graphicsDrawing: 'yes' }), { graphicsDrawing: 'unknown' }),
    minutes: 4,
    sacrifice: { risk: 0.1 },
    requires: ['save', 'restart'],
    excludes: ['turn-off-graphics-drawing'],
  }),
  define('turn-off-graphics-drawing', {
    levelsFor: (state) => state.setup.preview.graphicsDrawing !== 'no' && hasGraphics(state),
    applyTo: (state) => withHidden(withPreview(state, { graphicsDrawing: 'no' }), { graphicsDrawing: 'unknown' }),
    minutes: 4,
    sacrifice: { risk: 0.05 },
    requires: ['save', 'restart'],
  }),
  define('turn-off-panel-acceleration', {
    levelsFor: (state) => hasGraphics(state) && state.setup.editor.arePanelsOnGraphics,
    applyTo: (state) => withTroubles(withEditor(state, { arePanelsOnGraphics: false }), { graphicsMemory: 0.5 }),
    minutes: 4,
    sacrifice: { functions: 0.05 },
    requires: ['save', 'restart'],
  }),
  define('choose-editor-graphics', {
    levelsFor: ({ setup }) => setup.machine.hasSecondGraphics !== 'no' && setup.machine.graphicsRatio > 6,
    applyTo: (state) => withHidden(state, { isOnSlowGraphics: false }),
    minutes: 4,
    requires: ['save', 'restart'],
    excludes: ['assign-fast-graphics'],
  }),
  define('raise-graphics-memory', {
    // Only graphics that share the machine's memory can be given more of it.
    levelsFor: ({ setup }) => setup.machine.graphicsRatio > 1 && setup.machine.graphicsRatio <= 6,
    applyTo: (state) => {
      const { graphicsMemoryMib, memoryMib } = state.setup.machine;
      return withMachine(state, {
        graphicsMemoryMib: graphicsMemoryMib * 2,
        memoryMib: Math.max(1024, memoryMib - graphicsMemoryMib),
      });
    },
    minutes: 12,
    sacrifice: { risk: 0.15 },
    requires: ['save', 'restart'],
  }),
];
