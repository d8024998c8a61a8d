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
import type { EffectKind } from '@/core/load';
import { proxyMegabitPerSec, usualRecipe } from '@/core/proxies';
import type { Chain } from '../estimate/pipelines';

/** A preview that is really made: decode on one thread, scale to the preview's size, effects, one after another. */
export interface RealSetUp {
  readonly id: string;
  readonly clip: 'uhd' | 'hd' | 'hd-hevc';
  readonly fps: number;
  readonly projectHeightPx: number;
  readonly effects: readonly EffectKind[];
  /** Whether a busy program keeps to the same core. */
  readonly isBusy: boolean;
}

const sizes = { uhd: [3840, 2160], hd: [1920, 1080], 'hd-hevc': [1920, 1080] } as const;

/** Filters of the kinds that the table of effects names; the table’s own are not known here but for the blur, and its sharpening is wider. */
const filterOf: Readonly<Partial<Record<EffectKind, string>>> = {
  blur: 'gblur=sigma=8',
  denoise: 'hqdn3d',
  'simple-colour': 'eq=contrast=1.1',
  sharpen: 'unsharp',
};

export const setUps: readonly RealSetUp[] = [
  { id: 'uhd', clip: 'uhd', fps: 30, projectHeightPx: 1080, effects: [], isBusy: false },
  { id: 'uhd, blur', clip: 'uhd', fps: 24, projectHeightPx: 1080, effects: ['blur'], isBusy: false },
  { id: 'uhd, own size', clip: 'uhd', fps: 50, projectHeightPx: 2160, effects: [], isBusy: false },
  { id: 'hd, two blurs', clip: 'hd', fps: 30, projectHeightPx: 1080, effects: ['blur', 'blur'], isBusy: false },
  { id: 'hd, sharpened', clip: 'hd', fps: 50, projectHeightPx: 1080, effects: ['sharpen'], isBusy: false },
  {
    id: 'hd, denoised',
    clip: 'hd',
    fps: 60,
    projectHeightPx: 1080,
    effects: ['denoise', 'simple-colour'],
    isBusy: false,
  },
  { id: 'hd hevc, blur', clip: 'hd-hevc', fps: 50, projectHeightPx: 1080, effects: ['blur'], isBusy: false },
  { id: 'hd hevc, 720', clip: 'hd-hevc', fps: 60, projectHeightPx: 720, effects: ['blur', 'blur'], isBusy: false },
  { id: 'uhd, busy', clip: 'uhd', fps: 25, projectHeightPx: 1080, effects: [], isBusy: true },
  { id: 'hd, blur, busy', clip: 'hd', fps: 30, projectHeightPx: 1080, effects: ['blur'], isBusy: true },
];

/** The changes that are really made to each set-up. */
export const realFixes = (setUp: RealSetUp): readonly FixAtLevel[] => [
  { id: 'lower-preview-quality', level: '1/2' },
  { id: 'lower-preview-quality', level: '1/4' },
  { id: 'make-proxies', level: 540 },
  ...(setUp.effects.length > 0 ? [{ id: 'bypass-effects', level: 'all' }] : []),
];

/** The clips and their small copies, made in a folder of their own; `done` deletes it. */
export function makeRealClips() {
  const folder = mkdtempSync(join(tmpdir(), 'oil-can-fixes-'));
  const pathOf = (clip: RealSetUp['clip'], fps: number, isProxy: boolean): string =>
    join(folder, `${clip}-${fps}${isProxy ? '-540' : ''}.mp4`);
  const made = new Set<string>();
  for (const { clip, fps } of setUps) {
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
            'log-level=error:keyint=30',
            '-tag:v',
            'hvc1',
            '-qp',
            '30',
          ]
        : ['-c:v', 'libx264', '-preset', 'fast', '-g', '30', '-qp', '30'];
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
    core: 0,
  };
}

const carryOut = (card: JobCard, ...commands: readonly CardCommand[]): JobCard =>
  commands.reduce((current, command) => {
    const done = applyCommand(current, command, 1);
    if (!done.ok) throw new Error(`bench:fixes: ${command.type}: ${JSON.stringify(done.failure)}`);
    return done.value;
  }, card);

/** The card that somebody fills in who sits before the set-up, with one reading of it. */
export async function cardOfSetUp(setUp: RealSetUp, path: string, shownFps: number): Promise<JobCard> {
  const opened = await openFileSource(path);
  const { result } = await inspectFile(opened);
  await opened.close();
  if (!result.ok) throw new Error(`bench:fixes: ${path} cannot be read`);
  const typed = <Value>(value: Value) => ({ value, source: 'typed' as const });
  return carryOut(
    createJobCard({ id: setUp.id, title: setUp.id, nowMs: 0 }),
    {
      type: 'addClips',
      input: { clips: [{ clip: createCardClip({ id: 'clip', facts: result.value }) }] },
    },
    {
      type: 'setMachine',
      input: {
        facts: {
          coreCount: typed(1),
          memoryMib: typed(16_384),
          graphics: typed('none' as const),
          footageDrive: typed('internal-solid-state' as const),
        },
      },
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
      return { type: 'addEffect', input: { effect: { id: kind, kind, layerCount } } };
    }),
    { type: 'setPreview', input: { patch: { hardwareDecode: 'no', graphicsDrawing: 'no' } } },
    {
      type: 'addReading',
      input: { reading: createReading({ id: 'first', takenAtMs: 1, how: 'metered', shownFps }) },
    },
  );
}
