import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Rig, type RigStream, soundFaults } from '@/core/simulate';

/** A real chain of work: what is decoded, and what is done to each picture. */
export interface Pipeline {
  readonly id: string;
  readonly clip: 'wide' | 'deep' | 'small';
  readonly filter: string | null;
  /** Effects and layers of the same chain in the words of a rig, and the height they are drawn at. */
  readonly drawnHeightPx: number;
  readonly isBlurred: boolean;
  readonly isLayered: boolean;
}

export const pipelines: readonly Pipeline[] = [
  { id: 'decode', clip: 'wide', filter: null, drawnHeightPx: 1080, isBlurred: false, isLayered: false },
  {
    id: 'decode, scale',
    clip: 'wide',
    filter: 'scale=960:540:flags=bilinear',
    drawnHeightPx: 540,
    isBlurred: false,
    isLayered: false,
  },
  { id: 'decode, blur', clip: 'wide', filter: 'gblur=sigma=8', drawnHeightPx: 1080, isBlurred: true, isLayered: false },
  {
    id: 'decode, scale, blur',
    clip: 'wide',
    filter: 'scale=960:540:flags=bilinear,gblur=sigma=8',
    drawnHeightPx: 540,
    isBlurred: true,
    isLayered: false,
  },
  {
    id: 'decode, scale, overlay',
    clip: 'wide',
    filter: 'overlay',
    drawnHeightPx: 540,
    isBlurred: false,
    isLayered: true,
  },
  {
    id: 'decode small, blur',
    clip: 'small',
    filter: 'gblur=sigma=8',
    drawnHeightPx: 540,
    isBlurred: true,
    isLayered: false,
  },
];

const frameCount = 90;
/** Frames after which the program has started: a whole group, so that what is counted holds key frames as the whole does. */
const startFrames = 30;
const fps = 30;

interface MadeClip {
  readonly path: string;
  readonly stream: RigStream;
}

export type MadeClips = Readonly<Record<Pipeline['clip'], MadeClip>>;

/** Makes the clips in a folder of its own; `done` deletes it. */
export function makeClips(): { readonly clips: MadeClips; readonly done: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'oil-can-bench-'));
  const make = (name: Pipeline['clip'], widthPx: number, heightPx: number, isDeep: boolean): MadeClip => {
    const path = join(folder, `${name}.mp4`);
    const source = `testsrc2=size=${widthPx}x${heightPx}:rate=${fps},noise=alls=12:allf=t`;
    const coder = [
      '-c:v',
      'libx264',
      '-preset',
      'veryfast',
      '-pix_fmt',
      isDeep ? 'yuv420p10le' : 'yuv420p',
      '-g',
      '30',
    ];
    execFileSync('ffmpeg', [
      '-v',
      'error',
      '-f',
      'lavfi',
      '-i',
      source,
      '-frames:v',
      String(frameCount),
      ...coder,
      // One quantiser for all frames: with a bit rate to reach, the first frames hold most of the bits of so short a clip.
      '-qp',
      '30',
      path,
    ]);
    const size = execFileSync(
      'ffprobe',
      ['-v', 'error', '-select_streams', 'v', '-show_entries', 'stream=bit_rate', '-of', 'csv=p=0', path],
      { encoding: 'utf8' },
    );
    return {
      path,
      stream: {
        codec: 'h264',
        isDeep,
        chromaRatio: 1,
        megapixels: (widthPx * heightPx) / 1e6,
        heightPx,
        megabitsPerFrame: Number(size) / 1e6 / fps,
        fps: 480,
        keyEveryFrames: 30,
        canHardware: false,
        drive: { megabytePerSec: 100_000, seekMs: 0 },
      },
    };
  };
  return {
    clips: {
      wide: make('wide', 1920, 1080, false),
      deep: make('deep', 1920, 1080, true),
      small: make('small', 960, 540, false),
    },
    done: () => rmSync(folder, { recursive: true, force: true }),
  };
}

const argumentsOf = ({ filter }: Pipeline): readonly string[] => {
  if (filter === null) return [];
  if (filter !== 'overlay') return ['-filter_threads', '1', '-vf', filter];
  return [
    '-f',
    'lavfi',
    '-i',
    `color=c=red@0.5:size=960x540:rate=${fps},format=yuva420p`,
    '-filter_complex_threads',
    '1',
    '-filter_complex',
    '[0:v]scale=960:540:flags=bilinear[a];[a][1:v]overlay=format=auto:shortest=1',
  ];
};

/** Milliseconds that so many frames of a chain take on one thread, by the clock, the start of the program included. */
function runFrames(clip: MadeClip, pipeline: Pipeline, frames: number): number {
  const startedMs = performance.now();
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-threads',
    '1',
    '-i',
    clip.path,
    ...argumentsOf(pipeline),
    '-frames:v',
    String(frames),
    '-f',
    'null',
    '-',
  ]);
  return performance.now() - startedMs;
}

/** A chain and the yardstick of the core, in milliseconds a frame. */
export interface PipelineTime {
  readonly measuredMs: number;
  readonly yardstickMs: number;
}

/** Milliseconds a frame of a chain, the start of the program taken off; both runs close to each other. */
function frameMs(clip: MadeClip, pipeline: Pipeline): number {
  const startMs = runFrames(clip, pipeline, startFrames);
  const wholeMs = runFrames(clip, pipeline, frameCount);
  return (wholeMs - startMs) / (frameCount - startFrames);
}

/**
 * A chain between two runs of the yardstick: what the core did meanwhile is the mean of both. One such time is worth little
 * on a machine that others share; the middle of several, taken at different moments, holds.
 */
export function timePipeline(
  clip: MadeClip,
  pipeline: Pipeline,
  yardstick: { readonly clip: MadeClip; readonly pipeline: Pipeline },
): PipelineTime {
  const beforeMs = frameMs(yardstick.clip, yardstick.pipeline);
  const measuredMs = frameMs(clip, pipeline);
  const afterMs = frameMs(yardstick.clip, yardstick.pipeline);
  return { measuredMs, yardstickMs: (beforeMs + afterMs) / 2 };
}

/** Keeps one core busy while `work` runs. */
export async function besideBusyProcess<T>(work: () => T): Promise<T> {
  const busy = spawn(process.execPath, ['-e', 'for (;;);'], { stdio: 'ignore' });
  await new Promise((resolve) => setTimeout(resolve, 300));
  try {
    return work();
  } finally {
    busy.kill('SIGKILL');
  }
}

/** The same chain as a rig: one thread, one thing after another, nothing shown. */
export function rigOfPipeline(
  stream: RigStream,
  pipeline: Pipeline,
  machine: { readonly coreCount: number; readonly coreSpeed: number; readonly busyCores: number },
): Rig {
  const widthPx = (pipeline.drawnHeightPx * 16) / 9;
  return {
    design: 'in-turn',
    coreCount: machine.coreCount,
    coreSpeed: machine.coreSpeed,
    threadCount: 1,
    memoryMib: 65_536,
    editorGivenMib: null,
    previewMemoryMib: 4096,
    graphics: { speed: 1, slowSpeed: 1, memoryMib: 64, decodeMegapixelPerSec: 0 },
    isDrawingOnGraphics: false,
    isDecodingOnGraphics: false,
    systemDrive: stream.drive,
    cacheDrive: stream.drive,
    clips: [{ seconds: 60, original: stream, copy: null }],
    unusedClipCount: 0,
    timeline: {
      widthPx,
      heightPx: pipeline.drawnHeightPx,
      fps: 480,
      layerCount: 1,
      coveredLayerCount: 0,
      titleCount: pipeline.isLayered ? 1 : 0,
      isSeenThrough: true,
      effects: pipeline.isBlurred ? [{ kind: 'blur', layerCount: 1 }] : [],
      cutsPerMinute: 0,
    },
    deliveredHeightPx: null,
    preview: {
      ratio: 1,
      heightPx: null,
      movingRatio: 1,
      seenHeightPx: 1080,
      areEffectsOn: true,
      isBlending: true,
      depthRatio: 1,
      habits: [],
      isRendered: false,
    },
    areLateFramesSkipped: false,
    areThumbnailsMade: false,
    areFilesKeptOpen: true,
    programs: machine.busyCores > 0 ? [{ busyCores: machine.busyCores, memoryMib: 50, isClosable: true }] : [],
    targetFps: 480,
    faults: soundFaults,
    quirks: { decode: 1, draw: 1, graphics: 1, drive: 1, memory: 1, opening: 1 },
  };
}
