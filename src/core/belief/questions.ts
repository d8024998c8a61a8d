import { beforeCauses } from '../causes';
import { applyFixes } from '../fixes/apply-fixes';
import { withEditor, withHidden, withTroubles } from '../load/change-state';
import { reachOf } from '../load/conditions';
import { type Extent, extentOf, type Outcomes, widestOf } from '../load/evaluate';
import {
  canHardwareDecode,
  isGraphicsDrawing,
  isHardwareDecoding,
  mayHoldEffects,
  mayHoldLayers,
} from '../load/state-facts';
import type { Parameters, SetupState } from '../load/types';
import type { KnownState } from '../machine/facts';
import { type Complaint, feltAt, gapOfSample } from '../usable';
import { usableRateRatio } from '../usable/limits';

/** What a question may look at of one sample. */
export interface SampleView {
  readonly state: SetupState;
  readonly out: Outcomes;
  readonly index: number;
  /** How bad a supposed trouble is in this sample, 0 where it is absent. */
  readonly severityOf: (id: keyof SetupState['hidden']['troubles']) => number;
  readonly parameterOf: (name: keyof Parameters) => number;
}

/**
 * The set-up that a look is about, of a hypothesis: of `supposed`, with no change made, or of `asIs`, under the changes in
 * force.
 */
export type LookAt = (supposed: SetupState, asIs: SetupState) => SetupState;

/** A cheap look that tells causes apart; its answers are plain words of the catalogue, their text is in messages. */
export interface QuestionDefinition<Id extends string = string> {
  readonly id: Id;
  readonly answers: readonly string[];
  readonly minutes: number;
  /** Whether it can be asked of such a set-up. */
  readonly canAsk: (state: SetupState) => boolean;
  /** What is looked at, where it is not the preview as it stands. */
  readonly lookAt?: LookAt;
  /** How much of what is looked at it asks for; all where it does not say. */
  readonly extent?: Extent;
  /** Whether a metered reading tells it, so that nobody need look. */
  readonly isMetered?: true;
  /** How likely the first answer is, 0 to 1; with three answers, the probabilities of all. */
  readonly chances: (view: SampleView, complaint: Complaint) => readonly number[];
}

/** People look wrongly, or at the wrong thing, about one time in ten. Assumption. */
const wrongRatio = 0.09;

/** A yes-or-no answer that is true with a probability, seen through people's errors. */
const yesNo = (isTrue: number): readonly number[] => {
  const yes = wrongRatio + (1 - 2 * wrongRatio) * Math.min(1, Math.max(0, isTrue));
  return [yes, 1 - yes];
};

/** From 0 to 1 as `value` passes `middle`, over about `width` in logarithms. */
const step = (value: number, middle: number, width: number): number =>
  1 / (1 + Math.exp(-Math.log(Math.max(value, 1e-9) / middle) / width));

/** Whether something is on, which every hypothesis supposes one way or the other. */
const isOn = (state: KnownState): number => (state === 'yes' ? 1 : 0);
const always = (): boolean => true;
const answersYesNo = ['yes', 'no'] as const;

/** Three answers, from how likely the first and the first two are; each is given wrongly now and then. */
const inThree = (upper: number, upperTwo: number): readonly number[] =>
  [upper, Math.max(0, upperTwo - upper), 1 - Math.max(upperTwo, upper)].map((chance) => 0.06 + 0.82 * chance);

/** A picture that stands for so long is seen to stand, however slow all else is. */
export const longStandMs = 500;
/** A cut that takes so long is seen where one comes up in what is watched, and not all of it was decoded ahead. Assumptions. */
const standingCut = { ms: 700, ratio: 0.75 } as const;

/** How much has to be worked out to tell whether the picture is seen to stand. */
export const extentOfStanding = widestOf([extentOf('standMs'), extentOf('cutMs')]);
/** How likely the picture is seen to stand, and how likely not. */
export function chancesOfStanding({ out, index }: SampleView): readonly number[] {
  const within = step(out.standMs[index] as number, longStandMs, 0.2);
  const atCut = standingCut.ratio * step(out.cutMs[index] as number, standingCut.ms, 0.3);
  return yesNo(1 - (1 - within) * (1 - atCut));
}

const howItPlays = ['smoothly', 'small-hitches', 'lags'] as const;

/** How likely something plays smoothly, with small hitches, and not. */
function chancesOfPlaying({ state, out, index }: SampleView): readonly number[] {
  const ratio = (out.shownFps[index] as number) / state.setup.targetFps;
  return inThree(step(ratio, 0.97 * usableRateRatio, 0.05), step(ratio, 0.6, 0.15));
}

/** Below this rate of a copy, in megabytes a second, a drive is slow; above the other it is no hindrance to any preview. */
const copyRates = { slow: 60, quick: 200 } as const;

/**
 * What people know of films like this one: how many have made one, and of what can come, how often it came after that.
 * Assumptions.
 */
const history = { madeOneRatio: 0.6, cameSinceRatio: 0.5 } as const;

/** The bare clips in an editor that has none of this one's settings and troubles, on the same machine. */
const inAnotherEditor: LookAt = (supposed) => {
  const bare = applyFixes(supposed, [
    { id: 'bypass-effects', level: 'all' },
    { id: 'solo-track', level: null },
    { id: 'stop-blending', level: null },
    { id: 'use-more-threads', level: null },
  ]);
  const unset = withEditor(bare, { playsBy: 'streaming', memoryGivenMib: null });
  const sound = withTroubles(unset, { builds: 0, software: 0 });
  return withHidden(sound, { isPanelReadingOriginals: false, hardwareDecode: 'yes', graphicsDrawing: 'yes' });
};

const definitions = [
  {
    id: 'played-well-before',
    answers: ['used-to', 'never', 'first-one'],
    minutes: 0.25,
    canAsk: always,
    lookAt: beforeCauses,
    chances: ({ state, out, index }, complaint) => {
      const wasFine = 1 - feltAt(gapOfSample(complaint, state, out, index));
      const usedTo = history.madeOneRatio * history.cameSinceRatio * wasFine;
      return inThree(usedTo, history.madeOneRatio);
    },
  },
  {
    id: 'plain-player',
    answers: answersYesNo,
    minutes: 2,
    canAsk: always,
    chances: ({ out, index }) => yesNo(step(out.plainRatio[index] as number, 1, 0.2)),
  },
  {
    id: 'core-use',
    answers: ['nearly-all', 'half-or-more', 'less-than-half'],
    minutes: 1,
    canAsk: always,
    chances: ({ out, index }) => {
      const use = out.coreUseRatio[index] as number;
      const nearlyAll = step(use, 0.85, 0.12);
      const half = step(use, 0.5, 0.15);
      return inThree(nearlyAll, half);
    },
  },
  {
    id: 'editor-cores',
    answers: ['several', 'about-one', 'less'],
    minutes: 1,
    canAsk: always,
    chances: ({ out, index }) => {
      const cores = out.editorCores[index] as number;
      return inThree(step(cores, 1.4, 0.12), step(cores, 0.6, 0.15));
    },
  },
  {
    id: 'drive-busy',
    answers: answersYesNo,
    minutes: 1,
    canAsk: always,
    chances: ({ out, index }) => yesNo(step(out.driveUseRatio[index] as number, 0.7, 0.15)),
  },
  {
    id: 'other-programs',
    answers: answersYesNo,
    minutes: 1,
    canAsk: always,
    chances: ({ state, severityOf }) => {
      const listed =
        state.setup.programs.reduce((sum, program) => sum + program.busyCores, 0) / state.setup.machine.coreCount;
      const supposed = state.hidden.troubles.programs > 0 ? 0.3 + 0.65 * severityOf('programs') : 0;
      return yesNo(step(listed + supposed, 0.2, 0.2));
    },
  },
  {
    id: 'recorder-runs',
    answers: answersYesNo,
    minutes: 0.25,
    canAsk: always,
    // One busy program in three records the screen or a call, and people know whether one does; some record without being felt.
    // Assumptions.
    chances: ({ state }) => (state.hidden.troubles.programs > 0 ? [0.35, 0.65] : [0.03, 0.97]),
  },
  {
    id: 'other-editor',
    answers: howItPlays,
    minutes: 4,
    canAsk: always,
    lookAt: inAnotherEditor,
    extent: 'playing',
    chances: chancesOfPlaying,
  },
  {
    id: 'memory-full',
    answers: answersYesNo,
    minutes: 0.5,
    canAsk: always,
    chances: ({ out, index }) => yesNo(step(out.memoryRatio[index] as number, 0.97, 0.06)),
  },
  {
    id: 'editor-at-limit',
    answers: answersYesNo,
    minutes: 0.75,
    // What it may take is known where somebody set it.
    canAsk: ({ setup }) => setup.editor.memoryGivenMib === null,
    chances: ({ state }) => yesNo(state.setup.editor.memoryGivenMib === null ? 0.04 : 0.92),
  },
  {
    id: 'picture-stands',
    answers: answersYesNo,
    minutes: 0.5,
    canAsk: always,
    isMetered: true,
    chances: chancesOfStanding,
  },
  {
    id: 'builds-shown',
    answers: answersYesNo,
    minutes: 0.5,
    canAsk: always,
    chances: ({ state }) => yesNo(state.hidden.troubles.builds > 0 ? 1 : 0),
  },
  {
    id: 'settles-after-a-while',
    answers: answersYesNo,
    minutes: 3,
    canAsk: always,
    chances: ({ state }) => yesNo(state.hidden.troubles.builds > 0 ? 0.95 : 0.02),
  },
  {
    id: 'proxy-mark',
    answers: answersYesNo,
    minutes: 0.5,
    canAsk: ({ setup }) => setup.clips.some((clip) => clip.proxy !== null),
    chances: ({ state }) => yesNo(state.hidden.areProxiesShown && state.hidden.areProxiesAttached ? 1 : 0),
  },
  {
    id: 'source-panel',
    answers: answersYesNo,
    minutes: 0.5,
    canAsk: always,
    chances: ({ state }) => yesNo(state.hidden.isPanelReadingOriginals ? 1 : 0),
  },
  {
    id: 'held-back',
    answers: answersYesNo,
    minutes: 1.5,
    canAsk: always,
    chances: ({ state, severityOf }) => {
      const lost = state.hidden.troubles.power > 0 ? 0.2 + 0.5 * severityOf('power') : 0;
      return yesNo(step(1 / (state.setup.machine.powerRatio * (1 - lost)), 1.25, 0.06));
    },
  },
  {
    id: 'slower-when-warm',
    answers: answersYesNo,
    minutes: 1,
    canAsk: always,
    chances: ({ out, index }) =>
      yesNo(step((out.shownFps[index] as number) / Math.max(1e-6, out.laterFps[index] as number), 1.17, 0.05)),
  },
  {
    id: 'system-drive-room',
    answers: ['nearly-full', 'enough'],
    minutes: 0.5,
    canAsk: always,
    chances: ({ state }) => yesNo(state.hidden.troubles.systemDrive > 0 ? 1 : 0),
  },
  {
    id: 'hardware-monitor',
    answers: answersYesNo,
    minutes: 1,
    canAsk: ({ setup }) => canHardwareDecode(setup),
    chances: ({ state }) => yesNo(isOn(isHardwareDecoding(state))),
  },
  {
    id: 'graphics-monitor',
    answers: answersYesNo,
    minutes: 1,
    canAsk: ({ setup }) => setup.machine.graphicsRatio > 1,
    chances: ({ state }) => yesNo(isOn(isGraphicsDrawing(state))),
  },
  {
    id: 'which-graphics',
    answers: ['the-slower', 'the-faster'],
    minutes: 1.5,
    canAsk: ({ setup }) => setup.machine.graphicsRatio > 6,
    chances: ({ state }) => yesNo(state.hidden.isOnSlowGraphics ? 1 : 0),
  },
  {
    id: 'graphics-memory-full',
    answers: answersYesNo,
    minutes: 1,
    canAsk: ({ setup }) => setup.machine.graphicsRatio > 1,
    chances: ({ out, index }) => yesNo(step(out.graphicsMemoryRatio[index] as number, 0.97, 0.1)),
  },
  {
    id: 'graphics-use',
    answers: ['nearly-all', 'some', 'hardly-any'],
    minutes: 1,
    canAsk: ({ setup }) => setup.machine.graphicsRatio > 1,
    chances: ({ out, index }) => {
      const use = out.graphicsUseRatio[index] as number;
      return inThree(step(use, 0.8, 0.12), step(use, 0.15, 0.3));
    },
  },
  {
    id: 'clip-alone',
    answers: howItPlays,
    minutes: 1.5,
    canAsk: always,
    lookAt: (_, asIs) =>
      applyFixes(asIs, [
        { id: 'bypass-effects', level: 'all' },
        { id: 'solo-track', level: null },
      ]),
    extent: 'playing',
    chances: chancesOfPlaying,
  },
  {
    id: 'clip-with-effects',
    answers: howItPlays,
    minutes: 1.5,
    // Without effects it is the clip alone, and without layers the preview as it stands.
    canAsk: (state) => mayHoldEffects(state) && mayHoldLayers(state),
    lookAt: (_, asIs) => applyFixes(asIs, [{ id: 'solo-track', level: null }]),
    extent: 'playing',
    chances: chancesOfPlaying,
  },
  {
    id: 'file-copy',
    answers: ['quick', 'usual', 'slow'],
    minutes: 2,
    canAsk: ({ setup }) => setup.clips.length > 0,
    chances: ({ state, severityOf, parameterOf }) => {
      const stated = Math.min(...state.setup.clips.map(({ original }) => original.drive.readMegabytePerSec));
      const trouble = state.hidden.troubles.drive > 0 ? reachOf('drive', severityOf('drive')) : 0;
      const rate = (stated * parameterOf('driveFactor')) / (1 + trouble);
      return inThree(step(rate, copyRates.quick, 0.12), step(rate, copyRates.slow, 0.12));
    },
  },
  {
    id: 'while-jumping',
    answers: ['drive', 'processor', 'neither'],
    minutes: 1,
    canAsk: always,
    chances: ({ out, index }) => {
      const drive = step(out.scrubReadRatio[index] as number, 0.5, 0.15);
      const processor = step(out.scrubCoreRatio[index] as number, 0.5, 0.15);
      return inThree(drive, drive + (1 - drive) * processor);
    },
  },
] as const satisfies readonly QuestionDefinition[];

export type QuestionId = (typeof definitions)[number]['id'];

/** Every question, quickest looks among them. Adding one is a row here and its text in messages/questions. */
export const questionCatalogue: readonly QuestionDefinition<QuestionId>[] = definitions;

/** The question of this id, or undefined: a card may hold answers to those of a newer Oil Can. */
export const findQuestion = (id: string): QuestionDefinition<QuestionId> | undefined =>
  questionCatalogue.find((question) => question.id === id);
