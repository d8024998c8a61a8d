import { createRandom, type Random } from '../../numbers/random';
import { makeCopies } from '../copies';
import { soundFaults } from '../faults';
import { canGraphicsDecode } from '../rig-from-card';
import {
  playerDesigns,
  type Rig,
  type RigClip,
  type RigDrive,
  type RigEffect,
  type RigFaults,
  type RigStream,
} from '../types';

/** What a rig was drawn from, in the words of a card: the person knows these, more or less. */
export interface DrawnFacts {
  readonly speedClass: 'slow' | 'modest' | 'usual' | 'fast';
  readonly graphics: 'none' | 'shared' | 'separate';
  readonly graphicsYear: number;
  readonly drive: DriveWord;
  readonly streams: readonly DrawnStream[];
}

const drives = {
  'internal-solid-state': { megabytePerSec: 900, seekMs: 0.12 },
  'internal-spinning': { megabytePerSec: 110, seekMs: 12 },
  'external-solid-state': { megabytePerSec: 360, seekMs: 0.35 },
  'external-spinning': { megabytePerSec: 90, seekMs: 14 },
  'memory-card': { megabytePerSec: 58, seekMs: 1.2 },
  network: { megabytePerSec: 42, seekMs: 9 },
} as const;
export type DriveWord = keyof typeof drives;

/** A stream as its file tells it. */
export interface DrawnStream {
  readonly codec: string;
  readonly bitDepth: 8 | 10 | 12;
  readonly chroma: '4:2:0' | '4:2:2' | '4:4:4';
  readonly widthPx: number;
  readonly heightPx: number;
  readonly fps: number;
  readonly megabitPerSec: number;
  readonly keyEveryFrames: number;
}

const sizes = [
  [1280, 720],
  [1920, 1080],
  [1920, 1080],
  [2704, 1520],
  [3840, 2160],
  [3840, 2160],
] as const;

/** A kind of footage that cameras, phones and screens record. */
export function drawStream(random: Random): DrawnStream {
  const [widthPx, heightPx] = random.pick(sizes);
  const megapixels = (widthPx * heightPx) / 1e6;
  const fps = random.pick([24, 25, 25, 30, 30, 50, 60]);
  const kind = random.pick([
    'h264',
    'h264',
    'h264',
    'h264-10',
    'h264-422',
    'hevc',
    'hevc-10',
    'hevc-10',
    'vp9',
    'prores',
    'mjpeg',
    'dnxhd',
  ] as const);
  const isIntra = kind === 'prores' || kind === 'mjpeg' || kind === 'dnxhd';
  const bitsPerPixel = isIntra ? random.between(1.2, 4.5) : 0.25 * random.factor(0.7);
  return {
    codec: kind.replace(/-.*/, ''),
    bitDepth: kind.includes('-') || kind === 'prores' ? 10 : 8,
    chroma: isIntra || kind === 'h264-422' ? '4:2:2' : '4:2:0',
    widthPx,
    heightPx,
    fps,
    megabitPerSec: bitsPerPixel * megapixels * fps,
    keyEveryFrames: isIntra ? 1 : random.pick([12, 15, 30, 30, 60, 120, 250]),
  };
}

/** A stream as the simulated player meets it on a drive and under graphics of a year. */
export const toRigStream = (drawn: DrawnStream, drive: RigDrive, graphicsYear: number): RigStream => ({
  codec: drawn.codec,
  isDeep: drawn.bitDepth > 8,
  isRaw: drawn.bitDepth >= 12 && drawn.keyEveryFrames === 1,
  chromaRatio: drawn.codec === 'h264' && drawn.chroma === '4:2:2' ? 1.33 : 1,
  megapixels: (drawn.widthPx * drawn.heightPx) / 1e6,
  heightPx: drawn.heightPx,
  megabitsPerFrame: drawn.megabitPerSec / drawn.fps,
  fps: drawn.fps,
  keyEveryFrames: drawn.keyEveryFrames,
  canHardware: canGraphicsDecode(drawn.codec, drawn.bitDepth, drawn.chroma, graphicsYear),
  drive,
});

const effectKinds = [
  'simple-colour',
  'simple-colour',
  'colour-curves',
  'blur',
  'box-blur',
  'denoise',
  'sharpen',
  'zoom',
  'rotate',
  'mask',
  'keying',
  'stabilise',
] as const;

const drawEffects = (random: Random): readonly RigEffect[] =>
  Array.from({ length: random.pick([0, 0, 1, 1, 2, 3, 4]) }, () => ({
    kind: random.pick(effectKinds),
    layerCount: random.pick([1, 1, 1, 2]),
    strength: 'usual',
  }));

const speedWords = [
  ['slow', 0.6],
  ['modest', 0.9],
  ['usual', 1.25],
  ['fast', 1.8],
] as const;

/** The word that a person would use for a core of this speed: the nearest by ratio. */
function speedWordOf(coreSpeed: number): DrawnFacts['speedClass'] {
  const distance = (speed: number): number => Math.abs(Math.log(speed / coreSpeed));
  return [...speedWords].sort((a, b) => distance(a[1]) - distance(b[1]))[0]?.[0] ?? 'modest';
}

/** The drive of a word, a third faster or slower than its like. */
export const drawDrive = (random: Random, word: DriveWord): RigDrive => ({
  megabytePerSec: drives[word].megabytePerSec * random.factor(0.3),
  seekMs: drives[word].seekMs * random.factor(0.2),
});

/** A machine, an editor and a film with no fault in them, from ranges wider than any prior. */
export function drawRig(random: Random): { readonly rig: Rig; readonly facts: DrawnFacts } {
  const coreCount = random.pick([2, 4, 4, 4, 6, 8, 8, 12]);
  const coreSpeed = 0.42 * 5 ** random.next();
  const graphics = random.pick(['none', 'shared', 'shared', 'shared', 'separate', 'separate'] as const);
  const graphicsYear = random.whole(2011, 2024);
  const drive = random.pick([
    'internal-solid-state',
    'internal-solid-state',
    'internal-solid-state',
    'external-solid-state',
    'internal-spinning',
    'external-spinning',
    'memory-card',
    'network',
  ] as const);
  const footageDrive = drawDrive(random, drive);
  const streams = Array.from({ length: random.pick([1, 1, 2, 3]) }, () => drawStream(random));
  const main = streams[0];
  if (!main) throw new Error('drawRig: no stream');
  const clips: readonly RigClip[] = Array.from({ length: random.pick([4, 8, 12, 20, 40]) }, (_, i) => ({
    seconds: random.between(2, 90),
    original: toRigStream(streams[i % 3 === 2 ? i % streams.length : 0] ?? main, footageDrive, graphicsYear),
    copy: null,
  }));
  const [widthPx, heightPx] = random.pick([
    [main.widthPx, main.heightPx],
    [1920, 1080],
  ] as const);
  const memoryMib = random.pick([4096, 8192, 8192, 16_384, 16_384, 32_768]);
  const isComputing = random.isTrue(0.08);
  const speed = { none: 1, shared: 4.5, separate: 15 }[graphics] * random.factor(0.3);
  const canDraw = graphics !== 'none' && random.isTrue(0.8);
  const seenHeightPx = random.pick([360, 480, 540, 600, 720, 900, 1080]);
  const fps = random.isTrue(0.8) ? main.fps : random.pick([24, 25, 30]);
  const rig: Rig = {
    design: isComputing ? 'computing-first' : random.pick(playerDesigns.filter((id) => id !== 'computing-first')),
    coreCount,
    coreSpeed,
    threadCount: random.isTrue(0.12) ? 1 : Math.max(1, Math.round(coreCount * random.between(0.6, 1))),
    memoryMib,
    editorGivenMib: null,
    previewMemoryMib: memoryMib * random.between(0.15, 0.4),
    graphics: {
      speed: Math.max(1, speed),
      slowSpeed: Math.min(3.5, speed),
      memoryMib: { none: 64, shared: memoryMib / 8, separate: random.pick([2048, 4096, 8192]) }[graphics],
      decodeMegapixelPerSec: { none: 0, shared: 420, separate: 850 }[graphics] * random.factor(0.25),
    },
    isDrawingOnGraphics: canDraw,
    isDecodingOnGraphics: graphics !== 'none' && random.isTrue(0.8),
    systemDrive: drawDrive(random, 'internal-solid-state'),
    cacheDrive: drawDrive(random, 'internal-solid-state'),
    clips,
    unusedClipCount: random.pick([0, 0, 10, 80]),
    timeline: {
      widthPx,
      heightPx,
      fps,
      layerCount: random.pick([1, 1, 1, 2, 2, 3]),
      coveredLayerCount: random.isTrue(0.1) ? 1 : 0,
      titleCount: random.pick([0, 0, 1, 1, 2]),
      trackCount: 3,
      isSeenThrough: random.isTrue(0.6),
      effects: drawEffects(random),
      cutsPerMinute: random.pick([2, 6, 12, 25]),
      lengthMin: 5,
    },
    deliveredHeightPx: heightPx,
    preview: {
      ratio: random.pick([1, 1, 1, 0.5]),
      heightPx: null,
      movingRatio: 1,
      seenHeightPx,
      areEffectsOn: true,
      isBlending: true,
      isIdleBlended: false,
      depthRatio: random.pick([1, 1, 1, 1, 2, 4]),
      habits: (
        ['fine-scaling', 'exact-colour', 'drawings-on-picture', 'second-output', 'dense-window'] as const
      ).filter(() => random.isTrue(0.15)),
      isRendered: false,
    },
    areLateFramesSkipped: random.isTrue(0.6),
    areThumbnailsMade: random.isTrue(0.8),
    areFilesKeptOpen: random.isTrue(0.5),
    programs: Array.from({ length: random.pick([0, 1, 2, 3]) }, () => ({
      busyCores: 0.12 * random.factor(0.8),
      memoryMib: 300 * random.factor(0.5),
      isClosable: random.isTrue(0.8),
    })),
    targetFps: Math.min(fps, main.fps),
    faults: soundFaults,
    quirks: {
      decode: random.factor(0.25),
      draw: random.factor(0.25),
      graphics: random.factor(0.25),
      drive: random.factor(0.25),
      memory: random.factor(0.2),
      opening: random.factor(0.25),
    },
  };
  // By a source of its own, so that all else comes out as it did before anybody thought of it.
  const isIdleBlended = createRandom(Math.round(1e9 * rig.quirks.draw)).isTrue(0.06);
  return {
    rig: { ...rig, preview: { ...rig.preview, isIdleBlended } },
    facts: { speedClass: speedWordOf(coreSpeed), graphics, graphicsYear, drive, streams },
  };
}

/** The machine that a film was edited on as it was left, what its person knows of it, and whether the editor is another one now. */
interface PreviousBench {
  readonly left: Rig;
  readonly facts: DrawnFacts;
  readonly isEditorAnother: boolean;
}

/** Faults that stay with a machine, and those that stay with its editor; the others are of a film or of a day. */
const lastingFaults = {
  ofMachine: [
    ...(['powerShare', 'heatShare', 'hardwareSlowdown', 'graphicsSlowdown'] as const),
    ...(['isOnSlowGraphics', 'driveShare', 'systemDriveStall', 'oddMs'] as const),
  ],
  ofEditor: ['cacheWaitMs', 'staleness', 'copiesUpToRatio'],
} as const satisfies Readonly<Record<string, readonly (keyof RigFaults)[]>>;

/** Whether something is wrong with a rig that was so before its film came. */
export const hasLastingFault = ({ faults }: Rig): boolean =>
  [...lastingFaults.ofMachine, ...lastingFaults.ofEditor].some((id) => faults[id] !== soundFaults[id]);

/**
 * Another film on a machine as it was left, in the same editor or another; the footage lies on the same drive. What nobody
 * put right is still wrong.
 */
export function onSameBench(
  { rig, facts }: { readonly rig: Rig; readonly facts: DrawnFacts },
  { left, facts: before, isEditorAnother }: PreviousBench,
): { readonly rig: Rig; readonly facts: DrawnFacts } {
  const { coreCount, coreSpeed, memoryMib, graphics, systemDrive } = left;
  const drive = left.clips[0]?.original.drive;
  if (!drive) throw new Error('onSameBench: no clip');
  // Another editor works in another way; drivers and parts stay what they are.
  const editor = isEditorAnother ? rig : left;
  const canDraw = before.graphics !== 'none';
  const { streams } = facts;
  const lasting = [...lastingFaults.ofMachine, ...(isEditorAnother ? [] : lastingFaults.ofEditor)];
  return {
    rig: {
      ...rig,
      coreCount,
      coreSpeed,
      memoryMib,
      graphics,
      systemDrive,
      cacheDrive: left.cacheDrive,
      design: editor.design,
      threadCount: Math.min(coreCount, editor.threadCount),
      editorGivenMib: isEditorAnother ? rig.editorGivenMib : left.editorGivenMib,
      previewMemoryMib: (editor.previewMemoryMib / editor.memoryMib) * memoryMib,
      isDrawingOnGraphics: canDraw && editor.isDrawingOnGraphics,
      isDecodingOnGraphics: canDraw && editor.isDecodingOnGraphics,
      areLateFramesSkipped: editor.areLateFramesSkipped,
      areThumbnailsMade: editor.areThumbnailsMade,
      areFilesKeptOpen: editor.areFilesKeptOpen,
      preview: { ...rig.preview, isIdleBlended: editor.preview.isIdleBlended },
      faults: { ...rig.faults, ...Object.fromEntries(lasting.map((id) => [id, left.faults[id]])) },
      quirks: {
        ...left.quirks,
        decode: editor.quirks.decode,
        draw: editor.quirks.draw,
        memory: editor.quirks.memory,
        opening: editor.quirks.opening,
      },
      clips: rig.clips.map((clip, i) => {
        const stream = streams[i % 3 === 2 ? i % streams.length : 0];
        if (!stream) throw new Error('onSameBench: no stream');
        return { ...clip, original: toRigStream(stream, drive, before.graphicsYear) };
      }),
    },
    facts: { ...before, streams },
  };
}

/** The rig with small copies of its clips, attached and shown: some people have them already. */
export const withCopiesInUse = (rig: Rig, heightPx: number): Rig => {
  const made = makeCopies(rig, heightPx);
  return { ...made, faults: { ...made.faults, areCopiesAttached: true, areCopiesShown: true } };
};
