// How far the cost model is from what is measured, from real pipelines, and from the simulator; and how long a whole
// answer takes. `npm run -s bench:estimate`; --quick runs less of each. The last line is one JSON object.
import { readFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { diagnose } from '@/core/diagnose';
import { estimate, softwareDecodeMs } from '@/core/load';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { createRandom } from '@/core/numbers/random';
import { measureRig, play, rateOf } from '@/core/simulate';
import { drawRig } from '@/core/simulate/cases/draw-rig';
import { drawWorkMs, softwareWorkMs } from '@/core/simulate/work';
import { compareFixes } from './estimate/fixes-over-simulator';
import {
  besideBusyProcess,
  type MadeClips,
  makeClips,
  type Pipeline,
  type PipelineTime,
  pipelines,
  rigOfPipeline,
  timePipeline,
} from './estimate/pipelines';
import { parametersOfRig, stateOfRig } from './estimate/state-of-rig';
import { createLargeCard } from './large-card';

const isQuick = process.argv.includes('--quick');
const round = (value: number): number => Math.round(value * 1000) / 1000;
const sorted = (values: readonly number[]): readonly number[] => [...values].sort((a, b) => a - b);
const median = (values: readonly number[]): number => percentileOfSorted(sorted(values), 0.5);

/** Misfit of software decoding against the measured table. */
function compareDecoding() {
  const rows = readFileSync(new URL('../tests/fixtures/decode-cost.csv', import.meta.url), 'utf8')
    .trim()
    .split('\n')
    .slice(1);
  const errors = rows.map((line) => {
    const [codec = '', , width, height, rate, pixels = '', mbit, ms] = line.split(',');
    const predicted = softwareDecodeMs({
      codec,
      bitDepth: pixels.includes('10') ? 10 : 8,
      chroma: pixels.includes('422') ? '4:2:2' : '4:2:0',
      megapixels: (Number(width) * Number(height)) / 1e6,
      megabits: Number(mbit) / Number(rate),
      sizeEvenness: null,
    });
    return Math.abs(predicted / Number(ms) - 1);
  });
  return { rowCount: errors.length, medianError: round(median(errors)), worstError: round(Math.max(...errors)) };
}

/** Two chains that differ by less measure the other way round in the next run. */
const leastDifference = 0.05;

/** A chain's times in all rounds: what it took by the yardstick beside it, and how far apart the rounds were. */
function summariseRounds(times: readonly PipelineTime[]) {
  const ratios = sorted(times.map(({ measuredMs, yardstickMs }) => measuredMs / yardstickMs));
  const ratio = median(ratios);
  return {
    ratio,
    spread: (percentileOfSorted(ratios, 0.75) - percentileOfSorted(ratios, 0.25)) / ratio,
  };
}

/**
 * Times of every chain, alone and beside a busy process: round after round, so that a mood of a machine that others share
 * meets all of them and none of them each time.
 */
async function timeRounds(clips: MadeClips, chains: readonly Pipeline[], roundCount: number) {
  const [plain] = pipelines;
  if (!plain) throw new Error('bench:estimate: no pipelines');
  const rows = [false, true].flatMap((isBusy) =>
    chains.map((pipeline) => ({ pipeline, isBusy, times: [] as PipelineTime[] })),
  );
  for (let i = 0; i < roundCount; i++)
    for (const { pipeline, isBusy, times } of rows) {
      const time = () => timePipeline(clips[pipeline.clip], pipeline, { clip: clips.wide, pipeline: plain });
      times.push(await (isBusy ? besideBusyProcess(time) : time()));
    }
  // All on one core, as fast as it was on the whole: what it did during one chain says nothing of another.
  const yardstickMs = median(rows.flatMap(({ times }) => times.map((time) => time.yardstickMs)));
  return rows.map(({ pipeline, isBusy, times }) => {
    const { ratio, spread } = summariseRounds(times);
    return { pipeline, isBusy, yardstickMs, measuredMs: ratio * yardstickMs, spread };
  });
}

/** Estimate and simulator against ffmpeg: the core is measured by decoding alone beside each chain, the rest is foretold. */
async function comparePipelines() {
  const { clips, done } = makeClips();
  try {
    const roundCount = isQuick ? 1 : 3;
    const coreCount = cpus().length;
    const { stream } = clips.wide;
    const refMs = softwareDecodeMs({
      codec: stream.codec,
      bitDepth: 8,
      chroma: '4:2:0',
      megapixels: stream.megapixels,
      megabits: stream.megabitsPerFrame,
      sizeEvenness: null,
    });
    const timed = await timeRounds(clips, isQuick ? pipelines.slice(1, 3) : pipelines, roundCount);
    const rows = timed.map(({ pipeline, isBusy, measuredMs, yardstickMs, spread }) => {
      const clip = clips[pipeline.clip];
      const coreSpeed = refMs / yardstickMs;
      const busyCores = isBusy ? 1 : 0;
      const rig = rigOfPipeline(clip.stream, pipeline, { coreCount, coreSpeed, busyCores });
      const { stages } = estimate(stateOfRig(rig), 'heaviest', parametersOfRig(rig));
      // Nothing is shown.
      const counted = stages.filter(({ id }) => id !== 'show' && id !== 'read');
      const estimatedMs = counted.reduce((sum, { ms }) => sum + ms, 0);
      // The simulator has a core of its own measure: what decoding alone takes by its account, over what it took here.
      const ownSpeed = softwareWorkMs(clips.wide.stream) / yardstickMs;
      // Its programs work in bursts; what keeps a core busy here does so all the time, as its builds do.
      const idleRig = rigOfPipeline(clip.stream, pipeline, { coreCount, coreSpeed: ownSpeed, busyCores: 0 });
      const ownRig = { ...idleRig, faults: { ...idleRig.faults, buildCores: busyCores } };
      const bare = { ...ownRig, timeline: { ...ownRig.timeline, effects: [], titleCount: 0 } };
      const leftOutMs = drawWorkMs(bare, clip.stream, []) / ownSpeed;
      const simulatedMs = 1000 / rateOf(play(ownRig, createRandom(1), 20_000).shownAtMs) - leftOutMs;
      return {
        id: `${pipeline.id}${isBusy ? ', beside a busy process' : ''}`,
        measuredMs: round(measuredMs),
        spread: round(spread),
        estimatedMs: round(estimatedMs),
        simulatedMs: round(simulatedMs),
      };
    });
    const errorsOf = (pick: (row: (typeof rows)[number]) => number) => {
      const errors = rows.map((row) => Math.abs(pick(row) / row.measuredMs - 1));
      return {
        median: round(median(errors)),
        worst: round(Math.max(...errors)),
        withinAFifth: errors.filter((error) => error <= 0.2).length,
      };
    };
    // Fixes of the heaviest chain: a smaller picture, no blur, a small copy. Two that measure alike have no order.
    const alone = rows.filter(({ id }) => !id.includes('busy'));
    const isInOrder = alone.every((a) =>
      alone.every((b) => a.measuredMs > b.measuredMs * (1 - leastDifference) || a.estimatedMs < b.estimatedMs),
    );
    return {
      coreSpeed: round(refMs / median(timed.map(({ yardstickMs }) => yardstickMs))),
      pipelineCount: rows.length,
      roundCount,
      estimate: errorsOf(({ estimatedMs }) => estimatedMs),
      simulator: errorsOf(({ simulatedMs }) => simulatedMs),
      isOrderOfFixesTheSame: isInOrder,
      leastDifference,
      rows,
    };
  } finally {
    done();
  }
}

/** Signed error of the estimate against the simulator, by the lane that binds; nothing unknown, no pass mark. */
function compareWithSimulator() {
  const byLane = new Map<string, number[]>();
  const count = isQuick ? 30 : 500;
  for (let seed = 1; seed <= count; seed++) {
    const { rig: drawn } = drawRig(createRandom(seed * 77));
    const rig = { ...drawn, quirks: { decode: 1, draw: 1, graphics: 1, drive: 1, memory: 1, opening: 1 } };
    const simulated = Math.min(rig.targetFps, measureRig(rig, seed).shownFps);
    const { shownFps, bindingLane } = estimate(stateOfRig(rig), 'heaviest', parametersOfRig(rig));
    if (Math.min(simulated, shownFps) > 0.95 * rig.targetFps) continue;
    byLane.set(bindingLane, [...(byLane.get(bindingLane) ?? []), Math.log(shownFps / simulated)]);
  }
  return Object.fromEntries(
    [...byLane].map(([lane, errors]) => {
      const order = sorted(errors);
      const at = (ratio: number): number => round(percentileOfSorted(order, ratio));
      return [lane, { count: errors.length, low: at(0.1), mid: at(0.5), high: at(0.9) }];
    }),
  );
}

/** A whole answer for a card with 200 clips and 20 readings under half a dozen set-ups. */
async function timeAnswers() {
  const large = await createLargeCard('bench-answers');
  const count = isQuick ? 3 : 50;
  const times = sorted(
    Array.from({ length: count + 2 }, (_, i) => {
      const card = { ...large, targetFps: 24 - (i % 3) };
      const startedMs = performance.now();
      diagnose(card);
      return performance.now() - startedMs;
    }).slice(2),
  );
  return {
    clipCount: 200,
    readingCount: 20,
    answerCount: count,
    medianMs: Math.round(median(times)),
    worstMs: Math.round(times.at(-1) ?? 0),
    limitMs: 300,
  };
}

console.log(
  JSON.stringify({
    bench: 'estimate',
    decoding: compareDecoding(),
    pipelines: await comparePipelines(),
    estimateOverSimulator: compareWithSimulator(),
    // Fixes whose effect is off by more than a tenth for one rig in five, either way.
    fixesOverSimulator: compareFixes(isQuick ? 12 : 120).filter(({ rate, jump }) =>
      [rate.low, rate.high, jump.low, jump.high].some((misfit) => Math.abs(misfit) > 0.1),
    ),
    answer: await timeAnswers(),
  }),
);
