// The lag meter on generated recordings whose truth is known, and its time against ffmpeg's own filter for repeats.
// `npm run -s bench:meter`; --quick makes a few; --others N draws other recordings. The last line is one JSON object. A third of the recordings and more is
// written with encodings that were not looked at while the meter was tuned; their figures stand by themselves.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Meter, type MeterReading, type PictureRegion } from '@/core/meter';
import { decodeRecording, isReorderedRecording } from './meter/decode-recording';
import { type Filming, filmedPlan, filmRecording } from './meter/film-recording';
import { comparePairs } from './meter/pairs';
import { encodings, enlargedPlan, planRecording, type RecordingPlan } from './meter/recordings';
import { sceneKinds } from './meter/scenes';
import { writeRecording } from './meter/write-recording';

const isQuick = process.argv.includes('--quick');
const perKind = isQuick ? 1 : 2;
/** Other recordings than those that the limits were weighed on. */
const othersAt = process.argv.indexOf('--others');
const seedShift = othersAt < 0 ? 0 : 100_000 * Number(process.argv[othersAt + 1]);

const plans: readonly RecordingPlan[] = sceneKinds
  .filter((scene) => !isQuick || ['shapes', 'talking-head', 'still'].includes(scene))
  .flatMap((scene, s) =>
    encodings
      .filter(({ id }) => !isQuick || id === 'live-quick' || id === 'live-veryfast')
      .flatMap((encoding, e) =>
        Array.from({ length: scene === 'still' ? 1 : perKind }, (_, k) =>
          planRecording(seedShift + 1000 * (s + 1) + 10 * e + k, scene, encoding),
        ),
      ),
  );

/** Full HD, as most screens are recorded: so many times the others' pixels a side. */
const largeTimes = 3;
/** One recording of each moving scene at a rate, by the recorders' encodings in turn. */
const planEach = (recordedFps: number, fromSeed: number): readonly RecordingPlan[] =>
  sceneKinds
    .filter((scene) => scene !== 'still' && (!isQuick || scene === 'shapes'))
    .map((scene, s) => {
      const live = encodings.filter(({ isStrong }) => !isStrong);
      const encoding = live[s % live.length] ?? raise();
      for (let seed = seedShift + fromSeed + 100 * s; ; seed++) {
        const plan = planRecording(seed, scene, encoding);
        if (plan.recordedFps === recordedFps) return plan;
      }
    });
/** At 30 a second, for they are kept in memory. */
const largePlans = planEach(30, 50_000);
/** Filmed off the screen with a phone on something firm, as people are told to do it: at 60 a second. */
const filmedPlans = planEach(60, 60_000);
/** Half of the scenes held in the hand, as some will. */
const heldPlans = planEach(60, 80_000).filter((_, s) => s % 2 === 0);
function raise(): never {
  throw new Error('bench:meter: no encoding');
}

const ended = (child: ReturnType<typeof spawn>): Promise<void> =>
  new Promise((resolve, reject) => {
    // Not before all of its output has been read.
    child.on('close', (code) => (code === 0 ? resolve() : reject(new Error(`ffmpeg ended with ${code}`))));
  });

/** Decodes a recording and measures it, as somebody would who dropped it; with the wall time of both. */
async function read(
  plan: RecordingPlan,
  path: string,
  isFilmed: boolean,
): Promise<{ readonly reading: MeterReading; readonly ms: number }> {
  // Outside of the time: in a browser it costs no process.
  const isReordered = isReorderedRecording(path);
  const startedMs = performance.now();
  const meter = new Meter({ ceilingFps: plan.recordedFps, isReordered, isFilmed });
  const { widthPx, heightPx, recordedFps } = plan;
  await decodeRecording(plan, path, (pixels, index) => {
    meter.add({ widthPx, heightPx, pixels }, (index * 1000) / recordedFps);
  });
  const reading = meter.read();
  return { reading, ms: performance.now() - startedMs };
}

async function timeFilter(path: string): Promise<number> {
  const startedMs = performance.now();
  await ended(
    spawn('ffmpeg', ['-v', 'error', '-i', path, '-vf', 'mpdecimate', '-f', 'null', '-'], { stdio: 'ignore' }),
  );
  return performance.now() - startedMs;
}

/** The same frames handed out and not looked at: what no meter beside ffmpeg can be quicker than. */
async function timeHandingOut(plan: RecordingPlan, path: string): Promise<number> {
  const startedMs = performance.now();
  await decodeRecording(plan, path, () => undefined);
  return performance.now() - startedMs;
}

/** Intersection over union of two regions. */
function overlapOf(a: PictureRegion, b: PictureRegion): number {
  const width = Math.min(a.xPx + a.widthPx, b.xPx + b.widthPx) - Math.max(a.xPx, b.xPx);
  const height = Math.min(a.yPx + a.heightPx, b.yPx + b.heightPx) - Math.max(a.yPx, b.yPx);
  const shared = Math.max(0, width) * Math.max(0, height);
  return shared / (a.widthPx * a.heightPx + b.widthPx * b.heightPx - shared);
}

interface Row {
  readonly scene: string;
  readonly encoding: string;
  readonly isStrong: boolean;
  readonly isHeldOut: boolean;
  readonly moves: boolean;
  readonly isFound: boolean;
  readonly isRefused: boolean;
  readonly isAtLeast: boolean;
  /** Whether no more new pictures are claimed than came. */
  readonly isAtMostTrue: boolean;
  readonly isConfident: boolean;
  readonly isRateRight: boolean;
  readonly isFreezeRight: boolean;
  readonly meterMs: number;
  readonly filterMs: number;
  readonly handedOutMs: number;
}

async function measure(
  drawn: RecordingPlan,
  folder: string,
  { times = 1, filming = null }: { readonly times?: number; readonly filming?: Filming | null } = {},
): Promise<Row> {
  const path = join(folder, `${drawn.seed}.mkv`);
  if (filming) await filmRecording(drawn, path, filming);
  else await writeRecording(drawn, path, times);
  const plan = filming ? filmedPlan(drawn) : enlargedPlan(drawn, times);
  const { reading, ms } = await read(plan, path, filming !== null);
  const filterMs = await timeFilter(path);
  const handedOutMs = await timeHandingOut(plan, path);
  rmSync(path);
  const { result, region } = reading;
  // The picture that stands when the recording begins is none that came.
  const truth = plan.newAtFrames.filter((frame) => frame > 0);
  const longest = Math.max(0, ...truth.slice(1).map((frame, i) => frame - (truth[i] as number)));
  const spanFrames = (truth.at(-1) ?? 0) - (truth[0] ?? 0);
  const trueFps = spanFrames > 0 ? ((truth.length - 1) * plan.recordedFps) / spanFrames : 0;
  const frames = (intervalMs: number): number => (intervalMs * plan.recordedFps) / 1000;
  const row = {
    scene: plan.scene,
    encoding: plan.encoding.id,
    isStrong: plan.encoding.isStrong,
    isHeldOut: plan.encoding.isHeldOut,
    moves: plan.scene !== 'still',
    isFound: region !== null && overlapOf(region, plan.region) > 0.8,
    isRefused: !result.ok,
    isAtLeast: result.ok && result.value.isAtLeast,
    isAtMostTrue: result.ok && result.value.shownFps <= trueFps + Math.max(0.5, 0.03 * trueFps),
    isConfident: result.ok && result.value.confidence !== 'low',
    isRateRight: result.ok && Math.abs(result.value.shownFps - trueFps) <= Math.max(0.5, 0.03 * trueFps),
    isFreezeRight: result.ok && Math.abs(frames(result.value.longestFreezeMs) - longest) <= 1.01,
    meterMs: ms,
    filterMs,
    handedOutMs,
  };
  if (process.argv.includes('--log'))
    console.error(
      plan.seed,
      plan.pattern,
      plan.recordedFps,
      trueFps.toFixed(2),
      JSON.stringify({ ...row, result: result.ok ? { ...result.value, intervalsMs: 0 } : result.failure }),
    );
  return row;
}

const folder = mkdtempSync(join(tmpdir(), 'oil-can-meter-'));
const rows: Row[] = [];
const largeRows: Row[] = [];
const filmedRows: Row[] = [];
const heldRows: Row[] = [];
try {
  for (const plan of plans) rows.push(await measure(plan, folder));
  for (const plan of largePlans) largeRows.push(await measure(plan, folder, { times: largeTimes }));
  for (const plan of filmedPlans) filmedRows.push(await measure(plan, folder, { filming: 'standing' }));
  for (const plan of heldPlans) heldRows.push(await measure(plan, folder, { filming: 'held' }));
} finally {
  rmSync(folder, { recursive: true, force: true });
}

const shareOf = (over: readonly Row[], test: (row: Row) => boolean): number | null =>
  over.length === 0 ? null : Math.round((1000 * over.filter(test).length) / over.length) / 1000;

/** What became of the moving recordings of a kind. */
function sumUp(over: readonly Row[]) {
  const moving = over.filter(({ moves }) => moves);
  return {
    count: moving.length,
    rateRight: shareOf(moving, (row) => row.isRateRight),
    freezeRight: shareOf(moving, (row) => row.isFreezeRight),
    wrongWithConfidence: moving.filter((row) => row.isConfident && !(row.isRateRight && row.isFreezeRight)).length,
    confident: shareOf(moving, (row) => row.isConfident),
    refused: shareOf(moving, (row) => row.isRefused),
    regionFound: shareOf(moving, (row) => row.isFound),
  };
}

/** Filmed screens: above a third of the filmed rate the right answer is "at least", as far as that is true. */
const sumUpFilmed = (over: readonly Row[]) => ({
  ...sumUp(over),
  atLeast: shareOf(over, (row) => row.isAtLeast),
  atLeastTrue: shareOf(
    over.filter((row) => row.isAtLeast),
    (row) => row.isAtMostTrue,
  ),
});

const stills = rows.filter(({ moves }) => !moves);
/** How long all took to be measured, in terms of ffmpeg's own filter, and of their frames being handed out. */
function sumUpTimes(over: readonly Row[]) {
  const total = (pick: (row: Row) => number): number => over.reduce((sum, row) => sum + pick(row), 0);
  const ratio = (a: number, b: number): number => Math.round((1000 * a) / b) / 1000;
  const meterMs = total((row) => row.meterMs);
  return {
    timeOverFilter: ratio(
      meterMs,
      total((row) => row.filterMs),
    ),
    timeOverHandingOut: ratio(
      meterMs,
      total((row) => row.handedOutMs),
    ),
  };
}
console.log(
  JSON.stringify({
    bench: 'meter',
    others: seedShift / 100_000,
    recordingCount: rows.length,
    live: sumUp(rows.filter(({ isStrong }) => !isStrong)),
    liveHeldOut: sumUp(rows.filter(({ isStrong, isHeldOut }) => !isStrong && isHeldOut)),
    strong: sumUp(rows.filter(({ isStrong }) => isStrong)),
    strongHeldOut: sumUp(rows.filter(({ isStrong, isHeldOut }) => isStrong && isHeldOut)),
    all: sumUp(rows),
    stills: { count: stills.length, refused: shareOf(stills, (row) => row.isRefused) },
    pairs: comparePairs(isQuick ? 100 : 1000),
    ...sumUpTimes(rows),
    fullHd: { ...sumUp(largeRows), ...sumUpTimes(largeRows) },
    filmed: sumUpFilmed(filmedRows),
    held: sumUpFilmed(heldRows),
  }),
);
