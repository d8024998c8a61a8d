import { driveOf } from '../machine/catalogue';
import type { Hidden, PictureStream, Setup, SetupClip, SetupState, TroubleId } from './types';

/**
 * What fixes, supposed faults and repairs change a set-up with. Each gives back the very same state where nothing
 * changes: a diagnosis weighs thousands of states, and knows by that which of them need no work.
 */

/** The record with some fields changed; the very same record where all of them are as they were. */
function changed<T extends object>(record: T, change: Partial<T>): T {
  for (const key of Object.keys(change) as (keyof T)[])
    if (record[key] !== change[key]) return { ...record, ...change };
  return record;
}

/** The state with part of its set-up changed. */
export function withSetup(state: SetupState, change: Partial<Setup>): SetupState {
  const setup = changed(state.setup, change);
  return setup === state.setup ? state : { ...state, setup };
}

export const withPreview = (state: SetupState, change: Partial<Setup['preview']>): SetupState =>
  withSetup(state, { preview: changed(state.setup.preview, change) });
export const withEditor = (state: SetupState, change: Partial<Setup['editor']>): SetupState =>
  withSetup(state, { editor: changed(state.setup.editor, change) });
export const withMachine = (state: SetupState, change: Partial<Setup['machine']>): SetupState =>
  withSetup(state, { machine: changed(state.setup.machine, change) });
export const withTimeline = (state: SetupState, change: Partial<Setup['timeline']>): SetupState =>
  withSetup(state, { timeline: changed(state.setup.timeline, change) });

/** A film with nothing on top of its first layer, listed or not. */
export const withOneLayer = (state: SetupState): SetupState =>
  withTimeline(state, {
    videoLayerCount: 1,
    coveredLayerCount: 0,
    titleCount: 0,
    trackCount: 1,
    hasOnlyListedLayers: true,
  });

/** The state with part of what is hidden changed. */
export function withHidden(state: SetupState, change: Partial<Hidden>): SetupState {
  const hidden = changed(state.hidden, change);
  return hidden === state.hidden ? state : { ...state, hidden };
}

/** The state with some programs left out. */
export function withoutPrograms(
  state: SetupState,
  isLeftOut: (program: Setup['programs'][number]) => boolean,
): SetupState {
  const programs = state.setup.programs.filter((program) => !isLeftOut(program));
  return programs.length === state.setup.programs.length ? state : withSetup(state, { programs });
}

/** The state with one trouble as far present as `share` says, 0 to 1. */
export const withTrouble = (state: SetupState, id: TroubleId, share: number): SetupState =>
  withHidden(state, { troubles: changed(state.hidden.troubles, { [id]: share }) });

/** The state with troubles multiplied: 0 takes one away. */
export const withTroubles = (state: SetupState, ratios: Partial<Record<TroubleId, number>>): SetupState =>
  (Object.entries(ratios) as [TroubleId, number][]).reduce(
    (current, [id, ratio]) => withTrouble(current, id, current.hidden.troubles[id] * ratio),
    state,
  );

const changedClips = new WeakMap<readonly SetupClip[], Map<unknown, readonly SetupClip[]>>();

/**
 * The state with every clip changed. The change is remembered under its key (a name, or a list that stays the same list)
 * for a list of clips, so that equal lists stay one list and share their averages.
 */
export function changeClips(state: SetupState, key: unknown, change: (clip: SetupClip) => SetupClip): SetupState {
  const { clips } = state.setup;
  const ofClips = changedClips.get(clips) ?? new Map<unknown, readonly SetupClip[]>();
  changedClips.set(clips, ofClips);
  const remembered = ofClips.get(key);
  if (remembered) return withSetup(state, { clips: remembered });
  const made = clips.map(change);
  const result = made.every((clip, i) => clip === clips[i]) ? clips : made;
  ofClips.set(key, result);
  return withSetup(state, { clips: result });
}

/** The quickest drive that a machine usually has inside. */
const { readMegabytePerSec, latencyMs } = driveOf('internal-solid-state');
export const fastDrive = { readMegabytePerSec, latencyMs } as const;

const isFast = ({ drive }: PictureStream): boolean =>
  drive.readMegabytePerSec >= readMegabytePerSec && drive.latencyMs <= latencyMs;

const onFastDrive = (stream: PictureStream): PictureStream =>
  isFast(stream)
    ? stream
    : {
        ...stream,
        drive: {
          readMegabytePerSec: Math.max(stream.drive.readMegabytePerSec, readMegabytePerSec),
          latencyMs: Math.min(stream.drive.latencyMs, latencyMs),
        },
      };

/** The state with all footage on the quickest drive inside, and no trouble with drives. */
export const withFastMedia = (state: SetupState): SetupState =>
  withTrouble(
    changeClips(state, 'fast drive', (clip) => {
      const original = onFastDrive(clip.original);
      const proxy = clip.proxy && onFastDrive(clip.proxy);
      return original === clip.original && proxy === clip.proxy ? clip : { ...clip, original, proxy };
    }),
    'drive',
    0,
  );

const usualSpinning = driveOf('external-spinning');

/** The state with its footage on the drive that most of it lies on where it does not lie where people think. */
export const withSpinningMedia = (state: SetupState): SetupState =>
  changeClips(state, 'spinning drive', (clip) => {
    const drive = { readMegabytePerSec: usualSpinning.readMegabytePerSec, latencyMs: usualSpinning.latencyMs };
    return { ...clip, original: { ...clip.original, drive } };
  });

/** The state with a project of at most this many lines, in the same shape. */
export function withProjectHeight(state: SetupState, heightPx: number): SetupState {
  const { timeline } = state.setup;
  if (timeline.heightPx <= heightPx) return state;
  // The height as it was asked for: a product with a ratio may lie a last digit beside it, and be changed once more.
  return withTimeline(state, { widthPx: timeline.widthPx * (heightPx / timeline.heightPx), heightPx });
}

/** The state with a project of at most this rate; the rate to reach falls with it. */
export const withProjectRate = (state: SetupState, frameRateFps: number): SetupState =>
  withSetup(withTimeline(state, { frameRateFps: Math.min(state.setup.timeline.frameRateFps, frameRateFps) }), {
    targetFps: Math.min(state.setup.targetFps, frameRateFps),
  });
