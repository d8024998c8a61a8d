import { createRandom, type Random } from '../../numbers/random';
import { benchLimits } from '../gap';
import { measureRig } from '../measure';
import type { Rig, RigOutcome } from '../types';
import { editorShortage, graphicsMemoryUse, memoryWantedMib } from '../work';

/** How a person gets at a figure. */
export type ReadingWay = 'metered' | 'typed' | 'felt';

/** Somebody who reads a preview: how, how far off they always are, and how their luck is drawn. */
export interface Reader {
  readonly way: ReadingWay;
  /** A factor on all rates that they read. */
  readonly bias: number;
  readonly seed: number;
}

/** Somebody at the keyboard, with what they can be asked. */
export interface Person extends Reader {
  /** What they have seen of films like this one before. */
  readonly history: FilmHistory;
}

/** Whether films like this one used to play well here, never did, or were never made. */
export type FilmHistory = 'used-to' | 'never' | 'first-one';

/** What a person reports of a preview, as it stands on a card. */
export interface ReadFigures {
  readonly shownFps: number | null;
  readonly playFeel: 'stands-still' | 'stumbles' | 'uneven' | 'nearly-smooth' | 'smooth' | null;
  readonly scrubMs: number | null;
  readonly scrubFeel: 'fine' | 'jumpy' | 'unusable' | null;
  readonly openingSec: number | null;
}

/** Somebody drawn from a seed: a bias of 4 % on every reading. */
export function drawPerson(seed: number, history: FilmHistory): Person {
  const random = createRandom(seed);
  return {
    way: random.pick(['metered', 'typed', 'felt'] as const),
    bias: random.factor(0.04),
    seed: random.whole(1, 1e9),
    history,
  };
}

const spreads: Readonly<Record<ReadingWay, number>> = { metered: 0.04, typed: 0.12, felt: 0.2 };

/** One reading in ten is off by up to a factor of two. */
const misread = (random: Random): number => (random.isTrue(0.1) ? random.between(0.5, 2) : 1);

function feelOf(ratio: number): NonNullable<ReadFigures['playFeel']> {
  if (ratio >= 0.93) return 'smooth';
  if (ratio >= 0.75) return 'nearly-smooth';
  if (ratio >= 0.5) return 'uneven';
  return ratio >= 0.2 ? 'stumbles' : 'stands-still';
}

/** The slow jumps are felt as much as the usual ones. */
const feltScrubMs = (outcome: RigOutcome): number =>
  Math.max(outcome.scrubMs, (outcome.scrubSlowTenthMs * benchLimits.scrubMs) / benchLimits.scrubSlowTenthMs);

function scrubFeelOf(scrubMs: number): NonNullable<ReadFigures['scrubFeel']> {
  if (scrubMs <= benchLimits.scrubMs) return 'fine';
  return scrubMs <= 900 ? 'jumpy' : 'unusable';
}

/** One reading of a preview; `index` counts the person's readings, so that each has luck of its own. */
export function readPreview(
  person: Reader,
  rig: Rig,
  outcome: RigOutcome,
  index: number,
  isLater = false,
): ReadFigures {
  const random = createRandom(person.seed + 7919 * index);
  const factor = person.bias * random.factor(spreads[person.way]) * misread(random);
  const most = person.way === 'metered' ? rig.targetFps * 1.02 : rig.targetFps * 1.1;
  const shownFps = Math.min(most, (isLater ? outcome.laterFps : outcome.shownFps) * factor);
  const isFelt = person.way === 'felt';
  const timesMs = person.way === 'metered' ? outcome.scrubMs : feltScrubMs(outcome);
  const scrubMs = (timesMs / person.bias) * random.factor(spreads[person.way]) * misread(random);
  return {
    shownFps: isFelt ? null : Math.round(shownFps * 100) / 100,
    playFeel: isFelt ? feelOf(shownFps / rig.targetFps) : null,
    scrubMs: person.way === 'metered' ? Math.round(scrubMs) : null,
    scrubFeel: person.way === 'metered' ? null : scrubFeelOf(scrubMs),
    openingSec: Math.round(outcome.openingSec * random.factor(0.1) * 10) / 10,
  };
}

/** One clip on an empty timeline: nothing above it. */
const withOneClip = (rig: Rig): Rig => ({
  ...rig,
  timeline: { ...rig.timeline, layerCount: 1, coveredLayerCount: 0, titleCount: 0 },
});
const withoutEffects = (rig: Rig): Rig => ({ ...rig, timeline: { ...rig.timeline, effects: [] } });

/** The bare clips in an editor without this one's settings and troubles. */
const inAnotherEditor = (rig: Rig): Rig => {
  const bare = withoutEffects(withOneClip(rig));
  return {
    ...bare,
    design: 'ahead',
    threadCount: rig.coreCount,
    editorGivenMib: null,
    isDrawingOnGraphics: rig.graphics.speed > 1,
    isDecodingOnGraphics: true,
    preview: { ...bare.preview, isIdleBlended: false },
    faults: { ...bare.faults, buildCores: 0, staleness: 1, isPanelOnOriginals: false },
  };
};

/** How a preview plays to the eye. */
function lookOf(rig: Rig): 'smoothly' | 'small-hitches' | 'lags' {
  const ratio = measureRig(rig, 1).shownFps / rig.targetFps;
  return ratio > 0.92 ? 'smoothly' : ratio > 0.6 ? 'small-hitches' : 'lags';
}

/** What is true of a rig, asked in the words of the questions that a diagnosis may put. */
function truthOf(questionId: string, history: FilmHistory, rig: Rig, outcome: RigOutcome): string | null {
  const yesNo = (isTrue: boolean): string => (isTrue ? 'yes' : 'no');
  const others = rig.programs.reduce((sum, program) => sum + program.busyCores, 0) + rig.faults.unlistedCores;
  switch (questionId) {
    case 'played-well-before':
      return history;
    case 'plain-player':
      return yesNo(outcome.plainPlayerRatio >= 1);
    case 'settles-after-a-while':
      return yesNo(rig.faults.buildCores > 0.1);
    case 'core-use':
      return outcome.coreUseRatio > 0.85
        ? 'nearly-all'
        : outcome.coreUseRatio > 0.5
          ? 'half-or-more'
          : 'less-than-half';
    case 'drive-busy':
      return yesNo(outcome.driveUseRatio > 0.7);
    case 'other-programs':
      return yesNo(others > 0.2 * rig.coreCount);
    case 'recorder-runs':
      // Of busy programs that nobody listed one in three records.
      return yesNo(rig.faults.unlistedCores > 0 && Math.round(rig.faults.unlistedMib) % 3 === 0);
    case 'other-editor':
      return lookOf(inAnotherEditor(rig));
    case 'memory-full':
      return yesNo(memoryWantedMib(rig) > 0.97 * rig.memoryMib);
    case 'editor-at-limit':
      return yesNo(editorShortage(rig) > 0.05 && memoryWantedMib(rig) < 0.9 * rig.memoryMib);
    case 'picture-stands':
      return yesNo(outcome.longestFreezeMs > 500);
    case 'proxy-mark':
      return yesNo(
        rig.faults.areCopiesAttached && rig.faults.areCopiesShown && rig.clips.some((clip) => clip.copy !== null),
      );
    case 'source-panel':
      return yesNo(rig.faults.isPanelOnOriginals);
    case 'builds-shown':
      return yesNo(rig.faults.buildCores > 0.1);
    case 'held-back':
      return yesNo(rig.faults.powerShare < 0.8);
    case 'slower-when-warm':
      return yesNo(outcome.laterFps < 0.85 * outcome.shownFps);
    case 'system-drive-room':
      return rig.faults.systemDriveStall > 0.1 ? 'nearly-full' : 'enough';
    case 'hardware-monitor':
      return yesNo(rig.isDecodingOnGraphics && rig.clips.some((clip) => clip.original.canHardware));
    case 'graphics-monitor':
      return yesNo(rig.isDrawingOnGraphics && rig.graphics.speed > 1.5);
    case 'which-graphics':
      return rig.faults.isOnSlowGraphics ? 'the-slower' : 'the-faster';
    case 'graphics-memory-full':
      return yesNo(graphicsMemoryUse(rig) > 0.97);
    case 'graphics-use':
      return outcome.graphicsUseRatio > 0.8 ? 'nearly-all' : outcome.graphicsUseRatio > 0.15 ? 'some' : 'hardly-any';
    case 'clip-alone':
      return lookOf(withoutEffects(withOneClip(rig)));
    case 'clip-with-effects':
      return lookOf(withOneClip(rig));
    case 'file-copy': {
      const megabytePerSec =
        Math.min(...rig.clips.map(({ original }) => original.drive.megabytePerSec)) *
        rig.faults.driveShare *
        rig.quirks.drive;
      return megabytePerSec > 200 ? 'quick' : megabytePerSec > 60 ? 'usual' : 'slow';
    }
    case 'editor-cores':
      return outcome.editorCores > 1.4 ? 'several' : outcome.editorCores > 0.6 ? 'about-one' : 'less';
    case 'while-jumping':
      return outcome.jumpDriveRatio > 0.5 ? 'drive' : outcome.jumpCoreRatio > 0.5 ? 'processor' : 'neither';
    default:
      return null;
  }
}

/** What is said instead of a true answer; under the question's name where questions share a word. */
const wrongAnswers: Readonly<Record<string, string>> = {
  yes: 'no',
  no: 'yes',
  'used-to': 'never',
  never: 'used-to',
  'first-one': 'never',
  'nearly-all': 'half-or-more',
  'graphics-use nearly-all': 'some',
  'half-or-more': 'less-than-half',
  'less-than-half': 'half-or-more',
  'nearly-full': 'enough',
  enough: 'nearly-full',
  smoothly: 'small-hitches',
  'small-hitches': 'lags',
  lags: 'small-hitches',
  some: 'hardly-any',
  'hardly-any': 'some',
  quick: 'usual',
  usual: 'quick',
  slow: 'usual',
  several: 'about-one',
  'about-one': 'less',
  less: 'about-one',
  drive: 'neither',
  processor: 'neither',
  neither: 'processor',
  'the-slower': 'the-faster',
  'the-faster': 'the-slower',
};

/** The person's answer to a question, wrong one time in twelve; null for a question they cannot answer. */
export function answerAbout(person: Person, questionId: string, rig: Rig, outcome: RigOutcome): string | null {
  const truth = truthOf(questionId, person.history, rig, outcome);
  if (truth === null) return null;
  const random = createRandom(
    person.seed + ([...questionId].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7) % 1e6),
  );
  return random.isTrue(1 / 12) ? (wrongAnswers[`${questionId} ${truth}`] ?? wrongAnswers[truth] ?? truth) : truth;
}
