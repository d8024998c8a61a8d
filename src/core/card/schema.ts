import * as z from 'zod/mini';
import { chromaFormats, containerFormats } from '../footage/types';
import { effectKinds } from '../load/effect-costs';
import { driveKinds, graphicsKinds, powerModes, speedClasses } from '../machine/catalogue';
import { factSources, knownStates } from '../machine/facts';

/**
 * The job card document, version 1: one laggy project on one machine. The unit of storage and of exchange;
 * docs/job-card.schema.json is made from this. Ranges are wide enough for any real machine and film, and narrow
 * enough that no number in them can make the cost model overflow.
 */

const id = z.string().check(z.minLength(1), z.maxLength(80));
const text = (most: number) => z.string().check(z.maxLength(most));
const between = (low: number, high: number) => z.number().check(z.gte(low), z.lte(high));
const whole = (low: number, high: number) => z.int().check(z.gte(low), z.lte(high));
const atMs = whole(0, 8.64e15);
const rational = z.object({ num: whole(1, 2 ** 40), den: whole(1, 2 ** 40) });
const known = z.enum(knownStates);
const idsOf = <T extends string>(rows: readonly { readonly id: T }[]) => rows.map((row) => row.id) as [T, ...T[]];
const fact = <T extends z.core.$ZodType>(value: T) => z.object({ value, source: z.enum(factSources) });
const widthPx = whole(16, 32_768);
const heightPx = whole(16, 32_768);

export const firstThingIds = ['saved', 'autosave', 'restarted', 'up-to-date', 'meets-minimum'] as const;
const firstThings = z.object({
  saved: known,
  autosave: known,
  restarted: known,
  'up-to-date': known,
  'meets-minimum': known,
});

const delivery = z.object({ heightPx, frameRateFps: between(1, 500) });

const machine = z.object({
  coreCount: fact(whole(1, 256)),
  speedClass: fact(z.enum(idsOf(speedClasses))),
  memoryMib: fact(whole(512, 4_194_304)),
  graphics: fact(z.enum(idsOf(graphicsKinds))),
  graphicsYear: fact(whole(1995, 2100)),
  powerMode: fact(z.enum(idsOf(powerModes))),
  isPluggedIn: fact(known),
  footageDrive: fact(z.enum(idsOf(driveKinds))),
});

const program = z.object({
  id,
  name: text(120),
  busyCores: between(0, 256),
  memoryMib: between(0, 4_194_304),
  canClose: known,
});

const clip = z.object({
  id,
  facts: z.object({
    fileName: text(1024),
    sizeBytes: whole(0, Number.MAX_SAFE_INTEGER),
    container: z.enum(containerFormats),
    codec: z.string().check(z.minLength(1), z.maxLength(40)),
    profile: text(60),
    bitDepth: whole(1, 32),
    chroma: z.enum(chromaFormats),
    widthPx: whole(1, 32_768),
    heightPx: whole(1, 32_768),
    frameRate: rational,
    isVariableFrameRate: z.boolean(),
    bitrateMbitPerSec: between(0, 100_000),
    durationMs: between(0, 1e10),
    frameCount: z.nullable(whole(0, Number.MAX_SAFE_INTEGER)),
    keyFrameDistance: z.object({
      longestFrames: whole(1, 10_000_000),
      meanFrames: between(1, 10_000_000),
      isSampled: z.boolean(),
    }),
    rotationDegrees: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
    audio: z.nullable(z.object({ codec: text(60), channelCount: whole(0, 256), sampleRateHz: between(0, 10_000_000) })),
  }),
});

const effect = z.object({ id, kind: z.enum(effectKinds as [string, ...string[]]), layerCount: whole(1, 50) });

const timeline = z.object({
  /** False until a person has said something about it; then the main clip stands in. */
  isDescribed: z.boolean(),
  widthPx,
  heightPx,
  frameRate: rational,
  videoLayerCount: whole(1, 50),
  titleCount: whole(0, 50),
  effects: z.array(effect).check(z.maxLength(100)),
});

const preview = z.object({
  qualityRatio: between(1 / 64, 1),
  heightPx: z.nullable(heightPx),
  viewerHeightPx: z.nullable(heightPx),
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
] as const;
export const lagKinds = ['slow', 'jumpy', 'frozen', 'out-of-step', 'crashing'] as const;
const symptoms = z.object({ moments: z.array(z.enum(lagMoments)), kinds: z.array(z.enum(lagKinds)) });

const fixUse = z.object({ id: text(80), level: z.nullable(z.union([z.string().check(z.maxLength(80)), z.number()])) });

export const scrubFeels = ['fine', 'jumpy', 'unusable'] as const;
const reading = z.object({
  id,
  takenAtMs: atMs,
  how: z.enum(['typed']),
  shownFps: z.nullable(between(0, 1000)),
  scrubFeel: z.nullable(z.enum(scrubFeels)),
  /** The fixes in force when it was taken; with the card's base they are the set-up it belongs to. */
  fixes: z.array(fixUse),
  note: text(2000),
});

const trial = z.object({
  id,
  fix: fixUse,
  status: z.enum(['open', 'kept', 'undone']),
  beforeReadingId: id,
  afterReadingId: z.nullable(id),
  startedAtMs: atMs,
  endedAtMs: z.nullable(atMs),
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
export const jobCardVersion = 1;

export const jobCardSchema = z.object({
  format: z.literal(jobCardFormat),
  version: z.literal(jobCardVersion),
  id,
  title: z.string().check(z.minLength(1), z.maxLength(200)),
  createdAtMs: atMs,
  updatedAtMs: atMs,
  firstThings,
  delivery: z.nullable(delivery),
  /** The rate to reach where the person lowered it; else null, and it follows timeline and clips. */
  targetFps: z.nullable(between(1, 500)),
  machine,
  programs: z.array(program).check(z.maxLength(500)),
  clips: z.array(clip).check(z.maxLength(10_000)),
  timeline,
  preview,
  symptoms,
  readings: z.array(reading).check(z.maxLength(10_000)),
  trials: z.array(trial).check(z.maxLength(10_000)),
  /** Ids of kept trials whose put-back has been done. */
  putBackDone: z.array(id),
  /** Steps that the person said are done with what they know. */
  finishedSteps: z.array(z.enum(stepIds)),
});
