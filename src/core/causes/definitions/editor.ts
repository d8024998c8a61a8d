import { withHidden, withPreview, withProjectHeight, withProjectRate } from '../../load/change-state';
import { showsProxies } from '../../load/clip-cost';
import { type DrawingHabitId, drawingHabitIds } from '../../load/drawing-habits';
import type { SetupState } from '../../load/types';
import type { CauseDefinition } from '../types';
import { byAnswer, hasTrouble, troubleFault, withoutTroubles } from './troubles';

const hasProxies = ({ setup }: SetupState): boolean => setup.clips.some((clip) => clip.proxy !== null);

/**
 * The editor builds previews, pictures or an index beside playing. Repaired: it is done. What is left of a slow opening
 * once all else is right is its own too: the pictures it makes of every clip.
 */
export const buildingPreviews = {
  kind: 'configuration',
  id: 'building-previews',
  faults: [troubleFault('builds', (_, facts) => byAnswer(facts.isBuilding, { yes: 1.2, no: 0.015, unknown: 0.05 }))],
  isPresent: (state) => hasTrouble(state, 'builds'),
  repair: (state) => withoutTroubles(state, 'builds'),
} as const satisfies CauseDefinition;

/** Where an editor shows proxies at lower qualities only, it does so mostly from a half of full on. Assumption. */
const usualProxyRatio = 1 / 2;

/** Proxies exist, and the preview shows the originals all the same. */
export const proxiesNotShown = {
  kind: 'configuration',
  id: 'proxies-not-shown',
  faults: [
    {
      variant: 'not-shown',
      odds: (setup) => (setup.clips.some((clip) => clip.proxy !== null) ? 0.3 : 0),
      suppose: (state) => withHidden(state, { areProxiesShown: false }),
    },
    {
      variant: 'not-attached',
      odds: (setup) => (setup.clips.some((clip) => clip.proxy !== null) ? 0.2 : 0),
      suppose: (state) => withHidden(state, { areProxiesShown: false, areProxiesAttached: false }),
    },
    {
      variant: 'only-at-lower-quality',
      odds: ({ clips, preview }, { isProxyQualityStated }) =>
        clips.some((clip) => clip.proxy !== null) && preview.qualityRatio > usualProxyRatio && !isProxyQualityStated
          ? 0.06
          : 0,
      suppose: (state) => withHidden(state, { proxiesUpToRatio: usualProxyRatio }),
    },
  ],
  isPresent: (state) => hasProxies(state) && !showsProxies(state),
  repair: (state) => withHidden(state, { areProxiesShown: true, areProxiesAttached: true, proxiesUpToRatio: 1 }),
} as const satisfies CauseDefinition;

/** An open panel decodes the original a second time, proxies or not. */
export const panelReadsOriginals = {
  kind: 'configuration',
  id: 'panel-reads-originals',
  faults: [
    {
      variant: 'open',
      odds: (_, facts) => byAnswer(facts.isSourcePanelOpen, { yes: 0, no: 0.02, unknown: 0.1 }),
      suppose: (state) => withHidden(state, { isPanelReadingOriginals: true }),
    },
    {
      // Few panels that are said to be open draw from originals: as often it shows what the preview shows, or is shut.
      variant: 'harmless-after-all',
      odds: (_, facts) => byAnswer(facts.isSourcePanelOpen, { yes: 1, no: 0, unknown: 0 }),
      suppose: (state) => withHidden(state, { isPanelReadingOriginals: false }),
    },
  ],
  isPresent: (state) => state.hidden.isPanelReadingOriginals,
  repair: (state) => withHidden(state, { isPanelReadingOriginals: false }),
} as const satisfies CauseDefinition;

/** A project is larger than what is delivered when it has a fifth more lines, or frames a second. */
const mismatchRatio = 1.2;

/** Whether a project's lines, or frames a second, are too many for what is delivered; never where that is not said (null). */
export const isMoreThanDelivered = (set: number, delivered: number | null): delivered is number =>
  delivered !== null && set >= mismatchRatio * delivered;

/** The project is set up larger or faster than what will be delivered. */
export const projectMismatch = {
  kind: 'configuration',
  id: 'project-mismatch',
  faults: [],
  isPresent: ({ setup }) => {
    const { timeline, delivered } = setup;
    return (
      isMoreThanDelivered(timeline.heightPx, delivered.heightPx) ||
      isMoreThanDelivered(timeline.frameRateFps, delivered.frameRateFps)
    );
  },
  // Only what is too much: 25 frames a second made 24 fit no clip any more, which costs what it saves.
  repair: (state) => {
    const { timeline, delivered } = state.setup;
    const { heightPx, frameRateFps } = delivered;
    const resized = isMoreThanDelivered(timeline.heightPx, heightPx) ? withProjectHeight(state, heightPx) : state;
    return isMoreThanDelivered(timeline.frameRateFps, frameRateFps) ? withProjectRate(resized, frameRateFps) : resized;
  },
  // A film like it is set up like it.
  asBefore: (state) => state,
} as const satisfies CauseDefinition;

/** The working depth that previews need. */
export const neededDepthBits = 8;

/** Things that the editor does for each picture that cutting does not need, and that are said or supposed to be on. */
export const extraWorkOf = ({ setup: { preview } }: SetupState): readonly DrawingHabitId[] =>
  drawingHabitIds.filter((id) => preview.habits[id] === 1);

const withHabits = (state: SetupState, change: (share: number) => number): SetupState =>
  withPreview(state, {
    habits: Object.fromEntries(
      drawingHabitIds.map((id) => [id, change(state.setup.preview.habits[id])]),
    ) as SetupState['setup']['preview']['habits'],
  });

/** A fine filter, colours converted, guides, a second output, a dense window, a great working depth: nobody needs them to cut. */
export const previewOverdone = {
  kind: 'configuration',
  id: 'preview-overdone',
  faults: [
    {
      // All that nobody said anything of.
      variant: 'all-on',
      odds: ({ preview }) =>
        drawingHabitIds.some((id) => preview.habits[id] > 0 && preview.habits[id] < 1) ? 0.04 : 0,
      suppose: (state) => withHabits(state, (share) => (share > 0 ? 1 : 0)),
    },
  ],
  isPresent: (state) => extraWorkOf(state).length > 0 || state.setup.preview.workingDepthBits > neededDepthBits,
  // What counts with a share is as open as before.
  repair: (state) =>
    withPreview(
      withHabits(state, (share) => (share === 1 ? 0 : share)),
      { workingDepthBits: neededDepthBits },
    ),
  // People set such things up once, for every film.
  asBefore: (state) => state,
} as const satisfies CauseDefinition;
