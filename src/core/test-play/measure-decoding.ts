import { threadGainRatio } from '../load/conditions';
import { softwareDecodeMs } from '../load/decode-costs';
import { medianOrNull } from '../numbers/percentile';
import type { DecodeRun, DecodeTest, DecodeWay, MeasuredDecoding, TestedStream } from './types';

/** Hardware decoding counts as measured only where its rate differs from software's by over a fifth (docs/model.md). */
const tellingDifferenceRatio = 0.2;
/** A decoder that gains less from being let loose did not use threads in the first place. */
const leastThreadGain = 1.08;

const megapixelsOf = (stream: TestedStream): number => (stream.widthPx * stream.heightPx) / 1e6;

/** Milliseconds that the reference core takes for a frame of this stream. */
export const referenceMsOf = (stream: TestedStream): number =>
  softwareDecodeMs({ ...stream, megapixels: megapixelsOf(stream), megabits: stream.megabitsPerFrame });

/**
 * Below this many reference milliseconds a frame, handing frames over costs a browser as much as decoding them, and a
 * rate says nothing of the cores: 767 a second at 360 lines where the cores alone would do 1,900 (measured 2026-11-25).
 */
const leastReferenceMs = 4;

/** Whether a clip is heavy enough to measure a machine by. */
export const isTelling = (stream: TestedStream): boolean => referenceMsOf(stream) >= leastReferenceMs;

const findRun = (test: DecodeTest, way: DecodeWay, isOneByOne = false): DecodeRun | undefined =>
  test.runs.find(
    (run) => run.way === way && run.isOneByOne === isOneByOne && run.drawnHeightPx === null && run.decodedFps > 0,
  );

/** The rate of decoding alone that a test found; null where it has no such run. */
export const decodedFpsOf = (test: DecodeTest, way: DecodeWay): number | null => findRun(test, way)?.decodedFps ?? null;

/** Whether a test shows that hardware really decoded: accepted, and at another speed than the processor. */
export function isHardwareProven(test: DecodeTest): boolean {
  const [hardware, software] = [decodedFpsOf(test, 'hardware'), decodedFpsOf(test, 'software')];
  if (hardware === null || software === null) return false;
  return Math.abs(hardware / software - 1) > tellingDifferenceRatio;
}

const known = (values: readonly (number | null)[]): readonly number[] => values.filter((value) => value !== null);

/** How much faster the processor decodes with its threads let loose; null where the decoder did not tell them apart. */
function threadGainOf(test: DecodeTest): number | null {
  const [loose, single] = [findRun(test, 'software'), findRun(test, 'software', true)];
  const gain = loose && single ? loose.decodedFps / single.decodedFps : 0;
  return gain >= leastThreadGain ? gain : null;
}

/**
 * Core speed, threads and the graphics' decoding rate from test-plays, the middle of each over all tests. A test that
 * did not separate one thread from many tells only their product: the core speed then follows from the usual gain of
 * the threads that other tests showed, or of `coreCount`. Clips too light to tell are left out.
 */
export function measureDecoding(allTests: readonly DecodeTest[], coreCount: number): MeasuredDecoding {
  const tests = allTests.filter((test) => isTelling(test.stream));
  const gain = medianOrNull(known(tests.map(threadGainOf)));
  const threadCount =
    gain === null ? null : Math.min(Math.max(1, coreCount), Math.max(1, 1 + (gain - 1) / threadGainRatio));
  const usualGain = gain ?? 1 + threadGainRatio * (Math.max(1, coreCount) - 1);
  const speeds = tests.map((test) => {
    const referenceMs = referenceMsOf(test.stream);
    const single = threadGainOf(test) === null ? null : findRun(test, 'software', true);
    if (single) return (referenceMs * single.decodedFps) / 1000;
    const loose = findRun(test, 'software');
    return loose ? (referenceMs * loose.decodedFps) / 1000 / usualGain : null;
  });
  const hardware = tests
    .filter(isHardwareProven)
    .map((test) => (decodedFpsOf(test, 'hardware') ?? 0) * megapixelsOf(test.stream));
  return {
    coreSpeedRatio: medianOrNull(known(speeds)),
    decodeThreadCount: threadCount,
    hardwareMegapixelPerSec: medianOrNull(hardware),
  };
}

/**
 * The rate of a drive in megabytes a second, the middle of what tests of files on it found; null where none was slow
 * enough to be told from memory.
 */
export const measureReading = (tests: readonly Pick<DecodeTest, 'fileRead'>[]): number | null =>
  medianOrNull(
    tests.flatMap(({ fileRead }) => (fileRead !== null && !fileRead.isAtLeast ? [fileRead.megabytePerSec] : [])),
  );

/** What a small piece waits for a drive, in milliseconds, the middle of what tests of files on it found; null where none told it. */
export const measureLatency = (tests: readonly Pick<DecodeTest, 'fileRead'>[]): number | null =>
  medianOrNull(known(tests.map(({ fileRead }) => fileRead?.smallPieceMs ?? null)));
