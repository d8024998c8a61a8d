import { type ComparedReading, compareReadings } from '@/core/meter';
import { createRandom, type Random } from '@/core/numbers/random';

const lengthMs = 20_000;
const clipFps = 50;
const recordedFps = 60;

/** One reading of a preview that shows `fps`: a level of its own, uneven intervals, one time in three a burst of other work. */
function drawReading(random: Random, fps: number): ComparedReading {
  const level = Math.exp(0.03 * random.normal());
  const burst = random.isTrue(1 / 3)
    ? { fromMs: random.between(0, lengthMs - 2500), ms: random.between(800, 2500) }
    : null;
  const unevenness = random.between(0.05, 0.2);
  const shownAtFrames: number[] = [];
  let atMs = 0;
  while (atMs < lengthMs) {
    // A recording at 60 frames a second sees a picture in the first frame after it.
    const frame = Math.ceil((atMs * recordedFps) / 1000);
    if (shownAtFrames.at(-1) !== frame) shownAtFrames.push(frame);
    const isSlow = burst !== null && atMs > burst.fromMs && atMs < burst.fromMs + burst.ms;
    const meanMs = (1000 / (fps * level)) * (isSlow ? 1.6 : 1);
    // Uneven intervals with the mean that the rate asks for.
    atMs += meanMs * Math.exp(unevenness * random.normal() - unevenness ** 2 / 2);
  }
  const intervalsMs = shownAtFrames
    .slice(1)
    .map((frame, i) => ((frame - (shownAtFrames[i] as number)) * 1000) / recordedFps);
  return { intervalsMs, shownFps: fps, kind: {}, isAtLeast: false, meterSpread: 0 };
}

/** Readings at the clip's own rate: every interval is the clip's. */
const drawFull = (random: Random): ComparedReading => ({
  ...drawReading(random, 4 * clipFps),
  isAtLeast: random.isTrue(0.5),
  meterSpread: 0,
});

/** How often each class of pairs is answered rightly. */
export function comparePairs(count: number) {
  const random = createRandom(4711);
  let [unchanged, found, wronglyBetter] = [0, 0, 0];
  for (let i = 0; i < count; i++) {
    const fps = random.between(8, 30);
    const same = compareReadings([drawReading(random, fps)], [drawReading(random, fps)]);
    if (same.ok && same.value.verdict === 'no-clear-change') unchanged++;
    const isUp = random.isTrue(0.5);
    const changed = compareReadings([drawReading(random, fps)], [drawReading(random, isUp ? fps * 1.15 : fps / 1.15)]);
    if (changed.ok && changed.value.verdict === (isUp ? 'better' : 'worse')) found++;
    const full = compareReadings([drawFull(random)], [drawFull(random)]);
    if (full.ok && full.value.verdict === 'better') wronglyBetter++;
  }
  const round = (value: number): number => Math.round((1000 * value) / count) / 1000;
  return { pairCount: count, unchanged: round(unchanged), changeFound: round(found), fullCalledBetter: wronglyBetter };
}
