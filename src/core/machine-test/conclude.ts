import { threadGainRatio } from '../load/conditions';
import { medianOf, medianOrNull } from '../numbers/percentile';
import { kernelReferenceMs } from './kernel';
import type { MachineRuns, MachineTest } from './types';

/** Hardware decoding counts as such only where its rate differs from software's by over a fifth (as in a test-play). */
const tellingDifferenceRatio = 0.2;
/** A run that ends this much slower than the first began is no chance: the machine slows under load. */
const slowedRatio = 0.85;

/** Below this a run gave no frames to speak of. */
const leastFps = 0.01;

/** What a card can hold of a figure. */
const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** The kernel and decoding may differ by what caches and vector units make; beyond this one of them was disturbed. */
const mostDisagreement = 1.8;

/** What counts of some runs; one that gave nothing was broken off by the system and says nothing. */
const speedsOf = (ratesFps: readonly number[], referenceMs: number): readonly number[] =>
  ratesFps.filter((fps) => fps >= leastFps).map((fps) => (fps * referenceMs) / 1000);

/**
 * The speed of one core: of a decoder that is kept to one thread. A browser may not keep it to one: where it comes out far
 * above what one core's kernel says, the share of a core in the rate of all of them counts.
 */
function coreSpeedOf(single: readonly number[], sharesOfAll: readonly number[], kernelRatio: number): number | null {
  const [one, share] = [medianOrNull(single), medianOrNull(sharesOfAll)];
  return one !== null && (share === null || one <= mostDisagreement * kernelRatio) ? one : share;
}

/** What the runs of one measurement say of the machine. */
export function concludeMachineTest(runs: MachineRuns, takenAtMs: number): MachineTest {
  const { sample, coreCount, singleFps, togetherFps, aloneFps, hardwareFps, kernelMs, drawing, storage } = runs;
  const single = speedsOf(singleFps, sample.referenceMs);
  const together = speedsOf(togetherFps, sample.referenceMs);
  const kernelRatio = within(kernelReferenceMs / medianOf(kernelMs), 0.001, 1000);
  const speed = coreSpeedOf(
    single,
    together.map((all) => all / coreCount),
    kernelRatio,
  );
  const coreSpeedRatio = speed === null ? null : within(speed, 0.01, 100);
  const spread = single.length > 0 ? single : together;
  const [first, last] = [together[0] ?? 1, together.at(-1) ?? 1];
  const gain =
    coreSpeedRatio !== null && aloneFps !== null && aloneFps > 0
      ? (aloneFps * sample.referenceMs) / 1000 / coreSpeedRatio
      : null;
  const isHardware =
    hardwareFps !== null &&
    aloneFps !== null &&
    Math.abs(hardwareFps / Math.max(leastFps, aloneFps) - 1) > tellingDifferenceRatio;
  return {
    takenAtMs,
    coreSpeedRatio,
    decodeThreadCount:
      gain === null ? null : Math.min(Math.max(1, coreCount), Math.max(1, 1 + (gain - 1) / threadGainRatio)),
    graphicsRatio: drawing ? within(drawing.referenceMs / Math.max(0.001, drawing.graphicsMs), 0.05, 1000) : null,
    hardwareMegapixelPerSec: isHardware ? within(hardwareFps * sample.megapixels, 0.1, 1e6) : null,
    kernelRatio,
    storage: storage && {
      writtenMegabytePerSec: within(storage.writtenMegabytePerSec, 0, 1e6),
      readMegabytePerSec: within(storage.readMegabytePerSec, 0, 1e6),
    },
    spreadRatio:
      spread.length === 0 ? 0 : within((Math.max(...spread) - Math.min(...spread)) / 2 / medianOf(spread), 0, 10),
    endedAtRatio: within(last / first, 0, 10),
  };
}

/** Whether the machine slowed while it was measured: heat, or a mode that saves power. */
export const slowsUnderLoad = ({ endedAtRatio }: MachineTest): boolean => endedAtRatio < slowedRatio;

/** Whether the two ways of measuring a core say so different things that it should be measured again, with less running beside it. */
export function isDisturbed({ coreSpeedRatio, kernelRatio, spreadRatio }: MachineTest): boolean {
  if (spreadRatio > 0.15) return true;
  if (coreSpeedRatio === null) return false;
  const ratio = coreSpeedRatio / kernelRatio;
  return ratio > mostDisagreement || ratio < 1 / mostDisagreement;
}
