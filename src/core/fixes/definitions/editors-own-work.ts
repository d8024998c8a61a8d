import { withEditor, withHidden, withPreview, withTroubles } from '../../load/change-state';
import type { SetupState } from '../../load/types';
import { define } from '../define';
import { conversionMinutes } from '../proxy-work';

const withoutPanel = (state: SetupState): SetupState => withHidden(state, { isPanelReadingOriginals: false });

/** Pre-rendering goes through the heavy quarter of the film about three times as slowly as decoding it. Assumption. */
const renderMinutes = (state: SetupState): number => conversionMinutes(state, state.setup.clips, 3) / 4;

/** What the editor does on its own. */
export const editorsWorkFixes = [
  define('close-source-panels', {
    levelsFor: () => true,
    applyTo: withoutPanel,
    minutes: 2,
    sacrifice: { functions: 0.1 },
  }),
  define('unlink-panel-while-timing', {
    levelsFor: () => true,
    applyTo: withoutPanel,
    minutes: 2,
    sacrifice: { functions: 0.15, putBack: 0.1 },
    excludes: ['close-source-panels'],
  }),
  define('stop-thumbnails', {
    levelsFor: ({ setup }) => setup.editor.areThumbnailsOn !== 'no',
    applyTo: (state) => withTroubles(withEditor(state, { areThumbnailsOn: 'no' }), { builds: 0.5 }),
    minutes: 2,
    sacrifice: { functions: 0.1 },
  }),
  define('keep-media-open', {
    levelsFor: ({ setup }) => !setup.editor.areFilesKeptOpen,
    applyTo: (state) => withEditor(state, { areFilesKeptOpen: true }),
    minutes: 3,
    sacrifice: { risk: 0.02 },
  }),
  define('let-builds-finish', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { builds: 0 }),
    minutes: 20,
    sacrifice: { minutes: 0.25 },
  }),
  define('prerender-range', {
    levelsFor: ({ setup }) => !setup.preview.isPrerendered,
    applyTo: (state) => withPreview(state, { isPrerendered: true }),
    minutes: (state) => 5 + renderMinutes(state),
    // It must be done again after every change there.
    sacrifice: (state) => ({
      functions: 0.7,
      minutes: Math.min(1, 0.4 + renderMinutes(state) / 60),
      disk: 0.05,
      putBack: 0.2,
    }),
    requires: ['save', 'builds-finished'],
  }),
  define('prerender-when-idle', {
    levelsFor: ({ setup }) => !setup.preview.isPrerendered,
    applyTo: (state) => withPreview(state, { isPrerendered: true }),
    minutes: (state) => 8 + renderMinutes(state),
    sacrifice: { functions: 0.75, minutes: 0.5, disk: 0.1, putBack: 0.2 },
    requires: ['save'],
    excludes: ['prerender-range'],
  }),
];
