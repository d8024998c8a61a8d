import type { core } from 'zod/mini';
import {
  array,
  boolean,
  discriminatedUnion,
  enum as enumOf,
  gte,
  int,
  literal,
  lte,
  maxLength,
  minLength,
  nullable,
  number,
  object,
  record,
  string,
  union,
} from 'zod/mini';
import { chromaFormats, containerFormats, scanKinds, soundFormats, stillFormats } from '../footage/types';
import { drawingHabitIds } from '../load/drawing-habits';
import { type EffectKind, type EffectStrength, effectKinds, effectStrengthIds } from '../load/effect-costs';
import { driveKinds, graphicsKinds, powerModes, speedClasses } from '../machine/catalogue';
import { factSources, knownStates } from '../machine/facts';
import { programPercents } from '../machine/program-percent';
import { confidenceReasons, confidences, paces } from '../meter/types';
import { closeOutcomes } from '../programs/close-outcome';
import { programRoles } from '../programs/types';
import { proxyFaultCodes } from '../proxies/fault-codes';
import { decodeWays } from '../test-play/types';

/**
 * The job card document, version 13: one laggy project on one machine. The unit of storage and of exchange;
 * docs/job-card.schema.json is made from this. Ranges are wide enough for any real machine and film, and narrow
 * enough that no number in them can make the cost model overflow.
 */

const id = string().check(minLength(1), maxLength(80));
const text = (most: number) => string().check(maxLength(most));
const between = (low: number, high: number) => number().check(gte(low), lte(high));
const whole = (low: number, high: number) => int().check(gte(low), lte(high));
const atMs = whole(0, 8.64e15);
const rational = object({ num: whole(1, 2 ** 40), den: whole(1, 2 ** 40) });
const known = enumOf(knownStates);
const idsOf = <T extends string>(rows: readonly { readonly id: T }[]) => rows.map((row) => row.id) as [T, ...T[]];
const fact = <T extends core.$ZodType>(value: T) => object({ value, source: enumOf(factSources) });
const widthPx = whole(16, 32_768);
const heightPx = whole(16, 32_768);

export const firstThingIds = ['saved', 'autosave', 'restarted', 'up-to-date', 'meets-minimum'] as const;
const firstThings = object({
  saved: known,
  autosave: known,
  restarted: known,
  'up-to-date': known,
  'meets-minimum': known,
});

/** What the film is for; null where it is not known. */
const delivery = object({ heightPx: nullable(heightPx), frameRateFps: nullable(between(1, 500)) });

const machine = object({
  coreCount: fact(whole(1, 256)),
  speedClass: fact(enumOf(idsOf(speedClasses))),
  memoryMib: fact(whole(512, 4_194_304)),
  graphics: fact(enumOf(idsOf(graphicsKinds))),
  graphicsYear: fact(whole(1995, 2100)),
  powerMode: fact(enumOf(idsOf(powerModes))),
  isPluggedIn: fact(known),
  footageDrive: fact(enumOf(idsOf(driveKinds))),
  graphicsMemoryMib: fact(whole(0, 4_194_304)),
  /** Whether there is a second, slower set of graphics that a program could be given by mistake. */
  hasSecondGraphics: fact(known),
  /** Whether it is thin enough to get hot under a load of minutes. */
  isThin: fact(known),
  systemDriveFreePercent: fact(between(0, 100)),
  /** Where the editor keeps its caches. */
  cacheDrive: fact(enumOf(idsOf(driveKinds))),
  /** What 100 % stands for in the system's own list of programs. */
  programPercent: fact(enumOf(programPercents)),
});

export const filmStages = ['cutting', 'finishing', 'unknown'] as const;
export const playWays = ['streaming', 'computing-first', 'unknown'] as const;
export const proxyStates = ['none', 'made', 'attached', 'shown', 'unknown'] as const;
export const lateFramePolicies = ['skipped', 'all-played', 'unknown'] as const;
export const workingDepthsBits = [8, 16, 32] as const;

const codec = string().check(minLength(1), maxLength(40));

/** How the person's editor is set up, before any fix; null and "unknown" where nobody said. */
const editor = object({
  playsBy: enumOf(playWays),
  /** How far small copies of the clips have come; "shown" means that the preview is said to use them. */
  proxies: enumOf(proxyStates),
  proxyHeightPx: nullable(heightPx),
  /** The codec of copies that exist already, and whether every frame of theirs is a key frame. */
  proxyCodec: nullable(codec),
  isEveryProxyFrameKey: known,
  /** The greatest preview quality at which the editor shows small copies; null where nobody said that it has one. */
  proxyQualityRatio: nullable(between(1 / 64, 1)),
  isSourcePanelOpen: known,
  isBuilding: known,
  areThumbnailsOn: known,
  workingDepthBits: nullable(literal(workingDepthsBits)),
  lateFrames: enumOf(lateFramePolicies),
  /** Memory that the editor is allowed to take. */
  memoryGivenMib: nullable(whole(64, 4_194_304)),
  /** Memory for computed pictures, where the editor computes first and then plays. */
  previewMemoryMib: nullable(whole(16, 4_194_304)),
  habits: record(enumOf(drawingHabitIds), known),
});

const program = object({
  id,
  name: text(120),
  /** Cores that it keeps busy, and memory that it holds; null where nobody looked. */
  busyCores: nullable(between(0, 256)),
  memoryMib: nullable(between(0, 4_194_304)),
  /** Megabytes a second that it reads and writes; null where nobody said. */
  driveMegabytePerSec: nullable(between(0, 1e6)),
  /** Cores in its busiest moment of the look, and by how many more it kept busy in the look's second half than in its first. */
  peakCores: nullable(between(0, 256)),
  changeCores: nullable(between(-256, 256)),
  canClose: known,
  role: enumOf(programRoles),
  /** Where it comes from: a list, or the person. */
  source: enumOf(['typed', 'read', 'imported']),
  /** How many processes it is, and which of them started the others; null where it was typed. */
  processCount: nullable(whole(1, 100_000)),
  rootProcessId: nullable(whole(0, Number.MAX_SAFE_INTEGER)),
  /** What became of it when it was to be closed; null until somebody looked. */
  outcome: nullable(enumOf(closeOutcomes)),
});

/** When and how what runs was looked at. */
const programsSeen = object({
  takenAtMs: atMs,
  source: enumOf(['read', 'imported']),
  /** The seconds that the core use is an average of, and memory that was free: null where the list does not say it. */
  coversSec: nullable(between(0, 1e6)),
  memoryFreeMib: nullable(between(0, 4_194_304)),
});

/** What a second look found after programs were closed. */
const programsCheck = object({
  takenAtMs: atMs,
  freedCores: between(0, 256),
  freedMib: between(0, 4_194_304),
  /** Names of programs that did not run before. */
  started: array(text(120)).check(maxLength(50)),
});

/** What may lie on a drive. */
export const placeIds = [
  'system',
  'editor',
  'project-file',
  'footage',
  'recordings',
  'cache',
  'clip-cache',
  'proxies',
  'exports',
] as const;

const cardDrive = object({
  id,
  label: text(60),
  kind: nullable(enumOf(idsOf(driveKinds))),
  /** Decimal gigabytes, as shops state them. */
  sizeGb: nullable(between(0, 1e6)),
  freeGb: nullable(between(0, 1e6)),
  holds: array(enumOf(placeIds)).check(maxLength(placeIds.length)),
});

/** In decimal gigabytes; null where nobody looked. */
const cacheRoom = object({ usedGb: nullable(between(0, 1e6)), limitGb: nullable(between(0, 1e6)) });

/** What was measured of the machine by running something on it; null where it could not be told. */
const machineTest = object({
  takenAtMs: atMs,
  coreSpeedRatio: nullable(between(0.01, 100)),
  decodeThreadCount: nullable(between(1, 256)),
  graphicsRatio: nullable(between(0.01, 1000)),
  hardwareMegapixelPerSec: nullable(between(0.1, 1e6)),
  /** A single-threaded piece of work against the same on the reference core: what decoding is checked by. */
  kernelRatio: between(0.001, 1000),
  /** Megabytes a second that this browser's own storage took and gave; null where it was not tried. */
  storage: nullable(object({ writtenMegabytePerSec: between(0, 1e6), readMegabytePerSec: between(0, 1e6) })),
  /** Half the range of the repeated runs, as a share of their middle. */
  spreadRatio: between(0, 10),
  /** The last run's speed as a share of the first one's. */
  endedAtRatio: between(0, 10),
});

const fileName = text(1024);
const sizeBytes = whole(0, Number.MAX_SAFE_INTEGER);
const pixels = whole(1, 65_536);
const durationMs = between(0, 1e10);
const rotationDegrees = union([literal(0), literal(90), literal(180), literal(270)]);
const audio = object({ codec: text(60), channelCount: whole(0, 256), sampleRateHz: between(0, 10_000_000) });

/** How even frames are in size; null where nobody read them. */
const sizeEvenness = nullable(between(0, 1));

const videoFacts = object({
  kind: literal('video'),
  fileName,
  sizeBytes,
  container: enumOf(containerFormats),
  codec,
  codecString: nullable(text(80)),
  profile: text(60),
  level: nullable(text(20)),
  bitDepth: whole(1, 32),
  chroma: enumOf(chromaFormats),
  scan: enumOf(scanKinds),
  widthPx: pixels,
  heightPx: pixels,
  pixelAspect: rational,
  frameRate: rational,
  isVariableFrameRate: boolean(),
  frameIntervals: nullable(
    object({ smallestMs: between(0, 1e10), usualMs: between(0, 1e10), largestMs: between(0, 1e10) }),
  ),
  bitrateMbitPerSec: between(0, 100_000),
  durationMs,
  frameCount: nullable(whole(0, Number.MAX_SAFE_INTEGER)),
  keyFrameDistance: nullable(
    object({
      longestFrames: whole(1, 10_000_000),
      meanFrames: between(1, 10_000_000),
      isSampled: boolean(),
    }),
  ),
  sizeEvenness,
  rotationDegrees,
  videoTrackCount: whole(1, 1000),
  audio: nullable(audio),
});

const stillFacts = object({
  kind: literal('still'),
  fileName,
  sizeBytes,
  container: enumOf(stillFormats),
  widthPx: pixels,
  heightPx: pixels,
  rotationDegrees,
});

const soundFacts = object({
  kind: literal('sound'),
  fileName,
  sizeBytes,
  container: enumOf(soundFormats),
  durationMs,
  audio,
});

/** Facts that a person may state over what a file or report says. */
export const correctableFields = ['bitDepth', 'chroma', 'scan', 'isVariableFrameRate'] as const;
export const clipOrigins = ['file', 'report'] as const;
export const hardwareAnswers = ['accepted', 'refused', 'none-here', 'codec-unknown'] as const;

const clip = object({
  id,
  facts: discriminatedUnion('kind', [videoFacts, stillFacts, soundFacts]),
  /** Whether the file itself was read, or a report about it. */
  origin: enumOf(clipOrigins),
  /** The folder it was dropped with, or empty. */
  folder: text(2000),
  /** Null where it lies on the same drive as the rest of the footage. */
  drive: nullable(enumOf(idsOf(driveKinds))),
  correctedFields: array(enumOf(correctableFields)).check(maxLength(correctableFields.length)),
  /** What this browser says of decoding it in hardware; null where it was not asked. */
  browserAnswer: nullable(object({ hardware: enumOf(hardwareAnswers), isSmooth: known, isPowerEfficient: known })),
});

/** A small copy of a clip, as its file is. */
const cardProxy = object({
  clipId: id,
  fileName,
  /** The folder it lies in, as the system calls it; empty for this browser's own. */
  folderName: text(300),
  widthPx: pixels,
  heightPx: pixels,
  isEveryFrameKey: boolean(),
  sizeBytes,
  madeAtMs: atMs,
  /** Whether the editor was seen to show it; unknown where it goes with what is said of all. */
  isShown: known,
  /** What its check found; null where nobody checked it, and empty where it is fine. */
  faults: nullable(array(enumOf(proxyFaultCodes)).check(maxLength(proxyFaultCodes.length))),
});

const decodeTest = object({
  id,
  clipId: id,
  fileName,
  takenAtMs: atMs,
  stream: object({
    codec,
    bitDepth: whole(1, 32),
    chroma: enumOf(chromaFormats),
    widthPx: pixels,
    heightPx: pixels,
    frameRateFps: between(0.01, 1000),
    megabitsPerFrame: between(0, 100_000),
    sizeEvenness,
  }),
  runs: array(
    object({
      way: enumOf(decodeWays),
      isOneByOne: boolean(),
      drawnHeightPx: nullable(pixels),
      frameCount: whole(0, 1_000_000),
      elapsedMs: between(0, 1e7),
      decodedFps: between(0, 100_000),
      droppedCount: whole(0, 1_000_000),
    }),
  ).check(maxLength(40)),
  scrub: nullable(object({ jumpCount: whole(1, 1000), medianMs: between(0, 1e7), slowestTenthMs: between(0, 1e7) })),
  fileRead: nullable(
    object({
      megabytePerSec: between(0, 1e6),
      isAtLeast: boolean(),
      /** What a small piece from anywhere waits for its drive; null where it may have come out of memory. */
      smallPieceMs: nullable(between(0, 1e6)),
    }),
  ),
  estimatedFps: between(0, 1_000_000),
  estimatedScrubMs: between(0, 1e10),
});

const effect = object({
  id,
  kind: enumOf(effectKinds as [EffectKind, ...EffectKind[]]),
  layerCount: whole(1, 50),
  strength: enumOf(effectStrengthIds as [EffectStrength, ...EffectStrength[]]),
});

/** What of a timeline is a guess until a person states it. */
export const statedTimelineFields = [
  'widthPx',
  'heightPx',
  'frameRate',
  'videoLayerCount',
  'titleCount',
  'coveredLayerCount',
  'unusedClipCount',
  'effects',
] as const;

const timeline = object({
  /** The fields that a person stated or confirmed; each for itself. Size and rate follow the footage until then. */
  stated: array(enumOf(statedTimelineFields)).check(maxLength(statedTimelineFields.length)),
  widthPx,
  heightPx,
  frameRate: rational,
  videoLayerCount: whole(1, 50),
  titleCount: whole(0, 50),
  /** Video layers that lie wholly under another picture and are drawn all the same. */
  coveredLayerCount: whole(0, 50),
  /** Tracks for pictures, empty ones too; null where nobody counted them. */
  trackCount: nullable(whole(1, 99)),
  /** Whether anything shows through an upper layer. */
  isBlendingNeeded: known,
  cutsPerMinute: nullable(between(0, 600)),
  /** How long the film is; null where nobody said. */
  lengthMin: nullable(between(0, 10_000)),
  transitionRatio: between(0, 1),
  /** Clips that were imported and are not used. */
  unusedClipCount: whole(0, 1_000_000),
  effects: array(effect).check(maxLength(100)),
});

const preview = object({
  qualityRatio: between(1 / 64, 1),
  heightPx: nullable(heightPx),
  viewerHeightPx: nullable(heightPx),
  hardwareDecode: known,
  graphicsDrawing: known,
});

export const lagMoments = [
  'playing',
  'scrubbing',
  'with-effects',
  'with-layers',
  'at-opening',
  'switching-programs',
  'after-a-while',
  'at-cuts',
  'looking-through-clips',
  'waiting-for-the-picture',
] as const;
export const lagKinds = [
  'slow',
  'jumpy',
  'frozen',
  'out-of-step',
  'crashing',
  'will-not-open',
  'black-picture',
  'sound-apart-from-start',
  'export-slow',
] as const;
/** What of playing is enough while editing: the whole rate; sound and picture together; or every picture, however slowly. */
export const enoughKinds = ['smooth', 'in-time', 'every-picture'] as const;
const symptoms = object({
  moments: array(enumOf(lagMoments)),
  kinds: array(enumOf(lagKinds)),
  enough: enumOf(enoughKinds),
});

const fixUse = object({ id: text(80), level: nullable(union([string().check(maxLength(80)), number()])) });

export const scrubFeels = ['fine', 'jumpy', 'unusable'] as const;
export const playFeels = ['stands-still', 'stumbles', 'uneven', 'nearly-smooth', 'smooth'] as const;
export const readingWays = ['typed', 'metered', 'tapped'] as const;
export const readingMoments = ['start', 'later'] as const;
export const readingSources = ['window', 'recording', 'practice'] as const;
export const readingViewers = ['timeline', 'clip', 'unknown'] as const;
export const readingDoings = ['playing', 'scrubbing'] as const;
export const readingPasses = ['first', 'repeat', 'unknown'] as const;
/** More intervals than these are not kept with a reading: a minute and a half at 60 a second. */
export const mostIntervals = 5400;

const rateFps = between(0, 1000);
/** What the lag meter found, and the times between new pictures that it was found from. */
const measured = object({
  source: enumOf(readingSources),
  intervalsMs: array(between(0, 1e7)).check(maxLength(mostIntervals)),
  /** How long a picture was meant to be shown. */
  deadlineMs: between(0.1, 1e6),
  isAtLeast: boolean(),
  slowestSecondFps: rateFps,
  worstOnePercentFps: rateFps,
  longestFreezeMs: between(0, 1e9),
  freezesPerMinute: between(0, 100_000),
  startDelayMs: between(0, 1e9),
  settledAfterMs: between(0, 1e9),
  settledFps: rateFps,
  pace: enumOf(paces),
  confidence: enumOf(confidences),
  reason: enumOf(confidenceReasons),
  /** Share of one core that measuring took while it ran beside the editor; null where it did not. */
  ownLoadRatio: nullable(between(0, 64)),
});

/** Stutters that a person tapped or counted; it says nothing of the shown rate. */
const tapped = object({
  lengthMs: between(1000, 3_600_000),
  stutterCount: whole(0, 100_000),
  /** How long each freeze was held; empty where only a number was typed. */
  freezesMs: array(between(0, 3_600_000)).check(maxLength(1000)),
  isTyped: boolean(),
});

export const readingSchema = object({
  id,
  takenAtMs: atMs,
  how: enumOf(readingWays),
  /** Whether it was taken soon after starting, or after some ten minutes of work. */
  moment: enumOf(readingMoments),
  shownFps: nullable(between(0, 1000)),
  playFeel: nullable(enumOf(playFeels)),
  scrubFeel: nullable(enumOf(scrubFeels)),
  scrubMs: nullable(between(0, 1e6)),
  openingSec: nullable(between(0, 1e5)),
  /** Editors that compute first and then play: how long the wait was, and how much then played. */
  waitSec: nullable(between(0, 1e5)),
  fitSec: nullable(between(0, 1e5)),
  exportMinutes: nullable(between(0, 1e5)),
  /** As the system's monitor showed them while it played. */
  coreUsePercent: nullable(between(0, 100)),
  memoryUsePercent: nullable(between(0, 100)),
  /** What was played, in the person's words: readings of different stretches are not compared. */
  stretch: text(120),
  viewer: enumOf(readingViewers),
  doing: enumOf(readingDoings),
  withEffects: known,
  /** Whether it was the first time that the stretch was played, or once more. */
  pass: enumOf(readingPasses),
  isAfterRestart: known,
  measured: nullable(measured),
  tapped: nullable(tapped),
  /** Whether the person could edit like this. */
  isGoodEnough: known,
  /** The fixes in force when it was taken; with the card's base they are the set-up it belongs to. */
  fixes: array(fixUse),
  /** A program that recorded the screen meanwhile; empty where none was seen. */
  recorderName: text(120),
  note: text(2000),
});

/** An answer to one of the questions that tell causes apart, under the fixes then in force. */
const answer = object({ id, questionId: text(80), answer: text(80), takenAtMs: atMs, fixes: array(fixUse) });

export const trialDirections = ['make', 'give-back'] as const;
export const trialStatuses = ['open', 'kept', 'undone', 'abandoned'] as const;
const trial = object({
  id,
  fix: fixUse,
  /** Whether the fix is made, or a kept one is taken away again to see whether it is still needed. */
  direction: enumOf(trialDirections),
  status: enumOf(trialStatuses),
  beforeReadingId: id,
  afterReadingId: nullable(id),
  startedAtMs: atMs,
  /** When the person said that the change is made; null until then. */
  madeAtMs: nullable(atMs),
  endedAtMs: nullable(atMs),
});

export const editorAttachWays = ['unknown', 'none', 'built-in', 'by-name', 'by-folder-swap'] as const;
const ownWords = text(500);
/** What the person's editor can do, in their own words; a new card takes it over from the one before. */
const editorProfile = object({
  name: text(80),
  viewers: ownWords,
  previews: ownWords,
  /** In which of the three ways it takes small copies. */
  attachWay: enumOf(editorAttachWays),
  /** The preview qualities that it has, best first, with commas between; empty where nobody said. */
  qualities: ownWords,
  /** Whether an export comes out at the preview's quality or height; in most editors it does not. */
  exportFollowsPreview: known,
  /** Ids of fixes that it has no setting for; they are not offered. */
  lacks: array(text(80)).check(maxLength(200)),
  /** Where the person found a setting. */
  notes: array(object({ fixId: text(80), text: ownWords })).check(maxLength(200)),
});

export const mostWorkingSets = 20;
/** A named group of preview fixes to switch to while working. */
const workingSet = object({ id, name: text(60), fixes: array(fixUse).check(maxLength(40)) });

const exportCheck = object({
  /** Whether anything on the timeline still points at small copies. */
  pointsAtCopies: known,
  /** Lines that are no trial's: settings that protect the export, fixes of a working set. */
  ticked: array(text(100)).check(maxLength(200)),
});

const masses = array(between(0, 1)).check(maxLength(16));
export const lessonParts = ['processor', 'graphics', 'drives', 'editor'] as const;
/** What a card before this one taught of the same machine or editor: of one figure, how likely each bin of it is. */
export const lessonSchema = object({
  id: text(40),
  /** What it goes with: where one of these is another, it holds no more. */
  of: array(enumOf(lessonParts)),
  /** The title of that card. */
  from: text(200),
  /** The kind of drive that it is about; empty where it is about none. */
  about: text(40),
  /** Between the bins, rising. */
  edges: array(between(1e-9, 1e9)).check(minLength(1), maxLength(15)),
  /** Chances of the bins before anything was known, and after. */
  before: masses,
  after: masses,
});

export const stepIds = [
  'first-things',
  'machine',
  'footage',
  'timeline',
  'symptoms',
  'findings',
  'fixes',
  'export-check',
] as const;

export const jobCardFormat = 'oil-can-job-card';
export const jobCardVersion = 13;

export const jobCardSchema = object({
  format: literal(jobCardFormat),
  version: literal(jobCardVersion),
  id,
  title: string().check(minLength(1), maxLength(200)),
  createdAtMs: atMs,
  updatedAtMs: atMs,
  firstThings,
  delivery,
  /** Whether it is still being cut, or sections of it are finished: some fixes are for finished ones alone. */
  filmStage: enumOf(filmStages),
  /** The rate to reach where the person lowered it; else null, and it follows timeline and clips. */
  targetFps: nullable(between(1, 500)),
  machine,
  /** What the person calls this machine; cards of one machine share its id. */
  machineProfile: object({ id: text(80), name: text(80) }),
  drives: array(cardDrive).check(maxLength(60)),
  machineTest: nullable(machineTest),
  /**
   * How much the editor's caches hold and may hold: of computed pictures, and of what it works out of clips (sound, small
   * pictures, indexes).
   */
  cache: cacheRoom,
  clipCache: cacheRoom,
  programs: array(program).check(maxLength(500)),
  programsSeen: nullable(programsSeen),
  programsCheck: nullable(programsCheck),
  clips: array(clip).check(maxLength(10_000)),
  /** Small copies that were made here or looked at; how far they have come in the editor is said of all of them there. */
  proxies: array(cardProxy).check(maxLength(10_000)),
  /** Clips that were really decoded on this machine: what the machine's decoding was measured by. */
  decodeTests: array(decodeTest).check(maxLength(1000)),
  timeline,
  preview,
  editor,
  symptoms,
  readings: array(readingSchema).check(maxLength(10_000)),
  /** Ids of readings that the person said hold, although another of the same set-up says something else. */
  heldReadings: array(id).check(maxLength(1000)),
  trials: array(trial).check(maxLength(10_000)),
  answers: array(answer).check(maxLength(1000)),
  /** Tests and fixes that the person does not want to be offered. */
  refused: array(fixUse).check(maxLength(1000)),
  /** Ids of kept trials whose put-back has been done. */
  putBackDone: array(id),
  editorProfile,
  /** From cards before this one; each can be dropped. */
  lessons: array(lessonSchema).check(maxLength(40)),
  workingSets: array(workingSet).check(maxLength(mostWorkingSets)),
  /** The working set switched to; null for the set-up of the kept fixes. */
  workingSetId: nullable(id),
  /** Fixes that the person means to try, in order: a plan that was chosen. */
  chosenPlan: array(fixUse).check(maxLength(40)),
  exportCheck,
  /** Steps that the person said are done with what they know. */
  finishedSteps: array(enumOf(stepIds)),
});
