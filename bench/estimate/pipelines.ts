import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
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

/** What runs over one file, as a program's arguments. */
export interface Chain {
  readonly path: string;
  readonly filterArgs: readonly string[];
  /** How many cores it may use, the first ones, and as many decoding threads; null for one thread on any. */
  readonly coreCount: number | null;
}

const chainOf = (clip: MadeClip, pipeline: Pipeline): Chain => ({
  path: clip.path,
  filterArgs: argumentsOf(pipeline),
  coreCount: null,
});

/** A command that keeps to so many cores, the first ones, or may use any. */
export const keptTo = (coreCount: number | null, command: readonly string[]): readonly string[] =>
  coreCount === null ? command : ['taskset', '-c', `0-${coreCount - 1}`, ...command];

/** A chain that runs over its clip again and again, stopped unless it is its turn. */
class Running {
  private readonly process: ChildProcess;
  private readonly done: { readonly frame: number; readonly activeMs: number }[] = [];
  private activeMs = 0;
  /** Null while it is stopped: what it wrote before may be read only then. */
  private resumedAtMs: number | null = null;

  constructor({ path, filterArgs, coreCount }: Chain) {
    const input = ['-v', 'error', '-nostats', '-progress', 'pipe:1', '-stats_period', '0.05'];
    const threads = ['-threads', String(coreCount ?? 1)];
    const chain = ['ffmpeg', ...input, ...threads, '-stream_loop', '-1', '-i', path, ...filterArgs, '-f', 'null', '-'];
    const [command = '', ...args] = keptTo(coreCount, chain);
    this.process = spawn(command, args, { stdio: ['ignore', 'pipe', 'inherit'] });
    this.process.stdout?.on('data', (text: Buffer) => this.note(String(text)));
    this.process.kill('SIGSTOP');
  }

  private note(text: string): void {
    const frame = Number(/frame=(\d+)/.exec(text)?.[1] ?? 0);
    const activeMs = this.activeMs + (this.resumedAtMs === null ? 0 : performance.now() - this.resumedAtMs);
    if (frame >= startFrames) this.done.push({ frame, activeMs });
  }

  /** Lets it run for so long. */
  async run(ms: number): Promise<void> {
    const resumedAtMs = performance.now();
    this.resumedAtMs = resumedAtMs;
    this.process.kill('SIGCONT');
    await sleep(ms);
    this.process.kill('SIGSTOP');
    this.activeMs += performance.now() - resumedAtMs;
    this.resumedAtMs = null;
  }

  end(): void {
    this.process.kill('SIGKILL');
  }

  get framesDone(): number {
    return (this.done.at(-1)?.frame ?? 0) - (this.done[0]?.frame ?? 0);
  }

  /** Milliseconds that a frame took of its own turns, from the first counted frame to the last. */
  get frameMs(): number {
    const [first, last] = [this.done[0], this.done.at(-1)];
    if (!first || !last || last.frame <= first.frame) throw new Error('bench:estimate: a chain gave no frames');
    return (last.activeMs - first.activeMs) / (last.frame - first.frame);
  }
}

/** A chain and the yardstick of the core, in milliseconds a frame. */
export interface PipelineTime {
  readonly measuredMs: number;
  readonly yardstickMs: number;
}

/** A turn is short against the moods of a machine that others share, and long against a frame. */
const turnMs = 120;
/** Turns until both have started, and until both have shown so many frames after that. */
const countedFrames = 150;
const mostTurns = 400;

/**
 * Milliseconds a frame of a chain and of the yardstick, which take turns on the core: what the core does meanwhile, it does
 * to both.
 */
export async function timePipeline(
  clip: MadeClip,
  pipeline: Pipeline,
  yardstick: { readonly clip: MadeClip; readonly pipeline: Pipeline },
): Promise<PipelineTime> {
  const [yardstickMs, measuredMs] = await timeByTurns([
    chainOf(yardstick.clip, yardstick.pipeline),
    chainOf(clip, pipeline),
  ]);
  return { yardstickMs, measuredMs };
}

/** Milliseconds a frame of two chains, which take turns until each has shown so many frames. */
export async function timeByTurns(
  [first, second]: readonly [Chain, Chain],
  frameCount = countedFrames,
): Promise<readonly [number, number]> {
  const both = [new Running(first), new Running(second)] as const;
  try {
    for (let turn = 0; turn < mostTurns && both.some(({ framesDone }) => framesDone < frameCount); turn++)
      for (const running of both) await running.run(turnMs);
    return [both[0].frameMs, both[1].frameMs];
  } finally {
    for (const running of both) running.end();
  }
}

/** Keeps one core busy while `work` runs: one of the first so many, or any. */
export async function besideBusyProcess<T>(work: () => Promise<T>, coreCount: number | null = null): Promise<T> {
  const [command = '', ...args] = keptTo(coreCount, [process.execPath, '-e', 'for (;;);']);
  const busy = spawn(command, args, { stdio: 'ignore' });
  await sleep(300);
  try {
    return await work();
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
      trackCount: 1,
      isSeenThrough: true,
      effects: pipeline.isBlurred ? [{ kind: 'blur', layerCount: 1, strength: 'usual' }] : [],
      cutsPerMinute: 0,
      lengthMin: 0,
    },
    deliveredHeightPx: null,
    preview: {
      ratio: 1,
      heightPx: null,
      movingRatio: 1,
      seenHeightPx: 1080,
      areEffectsOn: true,
      isBlending: true,
      isIdleBlended: false,
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
