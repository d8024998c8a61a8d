import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openFileSource } from '@/adapters/node/file-source';
import { inspectFile } from '@/adapters/shared/inspect-file';
import {
  applyCommand,
  type CardCommand,
  createCardClip,
  createJobCard,
  createReading,
  type JobCard,
} from '@/core/card';
import type { FixAtLevel } from '@/core/fixes';
import type { VideoFacts } from '@/core/footage';
import type { EffectKind } from '@/core/load';
import { medianOf } from '@/core/numbers/percentile';
import { proxyMegabitPerSec, usualRecipe } from '@/core/proxies';
import { type Chain, keptTo } from '../estimate/pipelines';

/** A preview that is really made: decode on a thread a core, scale to the preview's size, effects. */
export interface RealSetUp {
  readonly id: string;
  readonly clip: 'uhd' | 'hd' | 'hd-hevc';
  readonly fps: number;
  readonly projectHeightPx: number;
  readonly effects: readonly EffectKind[];
  readonly coreCount: 1 | 2;
  /** Whether a busy program shares the cores, without which it would play as it should. */
  readonly isBusy: boolean;
}

/** What a set-up has unless it says otherwise. */
const plainSetUp = { projectHeightPx: 1080, effects: [], coreCount: 1, isBusy: false } as const;

/** Frames from one key frame to the next in the clips. */
const keyEveryFrames = 30;

const sizes = { uhd: [3840, 2160], hd: [1920, 1080], 'hd-hevc': [1920, 1080] } as const;

/** Filters of the kinds that the table of effects names; the table’s own are not known here but for the blur, and its sharpening is wider. */
const filterOf: Readonly<Partial<Record<EffectKind, string>>> = {
  blur: 'gblur=sigma=8',
  denoise: 'hqdn3d',
  'simple-colour': 'eq=contrast=1.1',
  sharpen: 'unsharp',
};

export const setUps: readonly RealSetUp[] = [
  { ...plainSetUp, id: 'uhd', clip: 'uhd', fps: 30 },
  { ...plainSetUp, id: 'hd, busy', clip: 'hd', fps: 30, isBusy: true },
  { ...plainSetUp, id: 'uhd, blur', clip: 'uhd', fps: 24, effects: ['blur'] },
  { ...plainSetUp, id: 'uhd, own size', clip: 'uhd', fps: 50, projectHeightPx: 2160 },
  { ...plainSetUp, id: 'hd, two blurs', clip: 'hd', fps: 30, effects: ['blur', 'blur'] },
  { ...plainSetUp, id: 'hd, sharpened', clip: 'hd', fps: 50, effects: ['sharpen'] },
  { ...plainSetUp, id: 'hd, denoised', clip: 'hd', fps: 60, effects: ['denoise', 'simple-colour'] },
  { ...plainSetUp, id: 'hd hevc, blur', clip: 'hd-hevc', fps: 50, effects: ['blur'] },
  { ...plainSetUp, id: 'hd hevc, 720', clip: 'hd-hevc', fps: 60, projectHeightPx: 720, effects: ['blur', 'blur'] },
  { ...plainSetUp, id: 'hd, blur, busy', clip: 'hd', fps: 24, effects: ['blur'], isBusy: true },
  { ...plainSetUp, id: 'uhd, two cores', clip: 'uhd', fps: 50, coreCount: 2 },
  { ...plainSetUp, id: 'hd, two blurs, two cores', clip: 'hd', fps: 60, effects: ['blur', 'blur'], coreCount: 2 },
];

/** The changes that are really made to each set-up. */
export const realFixes = (setUp: RealSetUp): readonly FixAtLevel[] => [
  { id: 'lower-preview-quality', level: '1/2' },
  { id: 'lower-preview-quality', level: '1/4' },
  { id: 'make-proxies', level: 540 },
  ...(setUp.effects.length > 0 ? [{ id: 'bypass-effects', level: 'all' }] : []),
];

/** The clips of set-ups and their small copies, made in a folder of their own; `done` deletes it. */
export function makeRealClips(wanted: readonly Pick<RealSetUp, 'clip' | 'fps'>[]) {
  const folder = mkdtempSync(join(tmpdir(), 'oil-can-fixes-'));
  const pathOf = (clip: RealSetUp['clip'], fps: number, isProxy: boolean): string =>
    join(folder, `${clip}-${fps}${isProxy ? '-540' : ''}.mp4`);
  const made = new Set<string>();
  for (const { clip, fps } of wanted) {
    const path = pathOf(clip, fps, false);
    if (made.has(path)) continue;
    made.add(path);
    const [widthPx, heightPx] = sizes[clip];
    const source = `testsrc2=size=${widthPx}x${heightPx}:rate=${fps},noise=alls=10:allf=t`;
    const coder =
      clip === 'hd-hevc'
        ? [
            '-c:v',
            'libx265',
            '-preset',
            'fast',
            '-x265-params',
            `log-level=error:keyint=${keyEveryFrames}`,
            '-tag:v',
            'hvc1',
            '-qp',
            '30',
          ]
        : ['-c:v', 'libx264', '-preset', 'fast', '-g', String(keyEveryFrames), '-qp', '30'];
    const make = (args: readonly string[]) => execFileSync('ffmpeg', ['-y', '-v', 'error', ...args]);
    make(['-f', 'lavfi', '-i', source, '-frames:v', '60', '-pix_fmt', 'yuv420p', ...coder, path]);
    // By the usual recipe: every picture a key frame, at its bit rate.
    const mbit = proxyMegabitPerSec({ widthPx: 960, heightPx: 540 }, fps, usualRecipe);
    const small = ['-vf', 'scale=960:540', '-c:v', 'libx264', '-preset', 'fast', '-g', '1', '-b:v', `${mbit}M`];
    make(['-i', path, ...small, pathOf(clip, fps, true)]);
  }
  return { pathOf, done: () => rmSync(folder, { recursive: true, force: true }) };
}

/** The chain of a set-up with one change made, or none. */
export function chainOfSetUp(
  setUp: RealSetUp,
  fix: FixAtLevel | null,
  pathOf: ReturnType<typeof makeRealClips>['pathOf'],
): Chain {
  const isProxy = fix?.id === 'make-proxies';
  const ratio = fix?.id === 'lower-preview-quality' ? (fix.level === '1/2' ? 1 / 2 : 1 / 4) : 1;
  const heightPx = Math.round((setUp.projectHeightPx * ratio) / 2) * 2;
  const [, clipHeightPx] = sizes[setUp.clip];
  const takenHeightPx = isProxy ? 540 : clipHeightPx;
  const filters = [
    ...(takenHeightPx === heightPx ? [] : [`scale=-2:${heightPx}:flags=bilinear`]),
    ...(fix?.id === 'bypass-effects' ? [] : setUp.effects.map((kind) => filterOf[kind] ?? 'null')),
  ];
  return {
    path: pathOf(setUp.clip, setUp.fps, isProxy),
    filterArgs: filters.length > 0 ? ['-filter_threads', '1', '-vf', filters.join()] : [],
    coreCount: setUp.coreCount,
  };
}

/** Places to jump to, in frames: evenly between the first key frame and the second. */
const jumpPlaces = Array.from({ length: 11 }, (_, i) => ((i + 0.5) / 11) * keyEveryFrames);

/** Wall time of giving the one picture at a place, with the program's own start, in milliseconds. */
function timePicture({ path, filterArgs, coreCount }: Chain, atSec: number): number {
  const threads = ['-threads', String(coreCount ?? 1)];
  const chain = ['ffmpeg', '-v', 'error', ...threads, '-ss', String(atSec), '-i', path, ...filterArgs];
  const [command = '', ...args] = keptTo(coreCount, [...chain, '-frames:v', '1', '-f', 'null', '-']);
  const startedMs = performance.now();
  execFileSync(command, args);
  return performance.now() - startedMs;
}

/**
 * Median wait of a jump, in milliseconds: what the picture takes beyond one that is a key frame, which the program has as
 * soon as it has started, and that one picture.
 */
export function timeJumps(chain: Chain, { fps, frameMs }: { readonly fps: number; readonly frameMs: number }): number {
  const waits = jumpPlaces.map((frame) => timePicture(chain, frame / fps) - timePicture(chain, 0) + frameMs);
  return Math.max(1, medianOf(waits));
}

const carryOut = (card: JobCard, ...commands: readonly CardCommand[]): JobCard =>
  commands.reduce((current, command) => {
    const done = applyCommand(current, command, 1);
    if (!done.ok) throw new Error(`bench:fixes: ${command.type}: ${JSON.stringify(done.failure)}`);
    return done.value;
  }, card);

/** What is known of a clip by its file. */
export async function factsOf(path: string): Promise<VideoFacts> {
  const opened = await openFileSource(path);
  const { result } = await inspectFile(opened);
  await opened.close();
  if (!result.ok || result.value.kind !== 'video') throw new Error(`bench:fixes: ${path} cannot be read`);
  return result.value;
}

/** Clips whose decoding measures a core, as measuring the machine does: not the one that lags. */
export const yardstick = { clip: 'hd', fps: 30 } as const;

/** What was read of a set-up, and before it of the machine while nothing else ran. */
export interface RealReading {
  readonly shownFps: number;
  readonly scrubMs: number;
  readonly coreSpeedRatio: number;
}

/** The card that somebody fills in who has measured the machine and sits before the set-up, with one reading of it. */
export async function cardOfSetUp(setUp: RealSetUp, facts: VideoFacts, reading: RealReading): Promise<JobCard> {
  const { shownFps, scrubMs, coreSpeedRatio } = reading;
  const typed = <Value>(value: Value) => ({ value, source: 'typed' as const });
  return carryOut(
    createJobCard({ id: setUp.id, title: setUp.id, nowMs: 0 }),
    {
      type: 'addClips',
      input: { clips: [{ clip: createCardClip({ id: 'clip', facts }) }] },
    },
    {
      type: 'setMachine',
      input: {
        facts: {
          coreCount: typed(setUp.coreCount),
          memoryMib: typed(16_384),
          graphics: typed('none' as const),
          footageDrive: typed('internal-solid-state' as const),
          powerMode: typed('full' as const),
          isPluggedIn: typed('yes' as const),
          isThin: typed('no' as const),
          systemDriveFreePercent: typed(40),
        },
      },
    },
    {
      type: 'setMachineTest',
      input: {
        test: {
          takenAtMs: 0,
          coreSpeedRatio,
          decodeThreadCount: setUp.coreCount,
          graphicsRatio: null,
          hardwareMegapixelPerSec: null,
          kernelRatio: coreSpeedRatio,
          storage: null,
          spreadRatio: 0.02,
          endedAtRatio: 1,
        },
      },
    },
    { type: 'answerFirstThing', input: { id: 'up-to-date', answer: 'yes' } },
    { type: 'answerFirstThing', input: { id: 'restarted', answer: 'yes' } },
    {
      type: 'setEditor',
      input: { patch: { isSourcePanelOpen: 'no', isBuilding: 'no', areThumbnailsOn: 'no' } },
    },
    {
      type: 'setTimeline',
      input: {
        patch: {
          widthPx: (setUp.projectHeightPx * 16) / 9,
          heightPx: setUp.projectHeightPx,
          frameRate: { num: setUp.fps, den: 1 },
          videoLayerCount: 1,
          titleCount: 0,
        },
      },
    },
    { type: 'confirmTimeline', input: { fields: ['effects'] } },
    ...[...new Set(setUp.effects)].map((kind): CardCommand => {
      const layerCount = setUp.effects.filter((other) => other === kind).length;
      return { type: 'addEffect', input: { effect: { id: kind, kind, layerCount, strength: 'usual' } } };
    }),
    { type: 'setPreview', input: { patch: { hardwareDecode: 'no', graphicsDrawing: 'no' } } },
    {
      type: 'addReading',
      input: { reading: createReading({ id: 'first', takenAtMs: 1, how: 'metered', shownFps, scrubMs }) },
    },
  );
}
