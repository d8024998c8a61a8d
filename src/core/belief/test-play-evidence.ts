import { keyOfFixes } from '../card/fixes-in-force';
import type { FixUse, JobCard, Trial } from '../card/types';
import { freeCoresOf, reachOf, threadGainRatio } from '../load/conditions';
import type { SetupState } from '../load/types';
import { decodedFpsOf, isHardwareProven, isTelling, referenceMsOf } from '../test-play/measure-decoding';
import type { DecodeTest, FileRead, TestedStream } from '../test-play/types';
import { createBoundsWeigher, createValueWeigher, readingSpread, type Weigher } from './likelihood';
import type { SampleView } from './questions';
import { type Evidence, weighEach } from './weighing';

/** More threads than this gain nothing in any decoder. */
const mostThreads = 16;

/**
 * Frames a second at which the processor decodes a clip outside of the editor, by one sample: its speed under the power
 * mode, and the cores that other programs leave. What the editor does to itself is not in it: it stands still meanwhile.
 */
export function predictedSoftwareFps(stream: TestedStream, { state, severityOf, parameterOf }: SampleView): number {
  const { machine, programs } = state.setup;
  const { troubles } = state.hidden;
  const lost = troubles.power > 0 ? reachOf('power', severityOf('power')) : 0;
  const taken = troubles.programs > 0 ? reachOf('programs', severityOf('programs')) : 0;
  const speed = machine.coreSpeedRatio * machine.powerRatio * parameterOf('coreSpeedFactor') * (1 - lost);
  const listedCores = programs.reduce((sum, program) => sum + program.busyCores, 0) * parameterOf('busyFactor');
  const freeCores = freeCoresOf(machine.coreCount, listedCores + machine.coreCount * taken, 0);
  const threads = Math.max(1, Math.min(machine.coreCount, mostThreads, freeCores));
  const gain = Math.min(1 + threadGainRatio * (threads - 1), freeCores);
  return (1000 * speed * gain) / (referenceMsOf(stream) * parameterOf('decodeFactor'));
}

/** Frames a second at which the decoder of the graphics decodes a clip, by one sample; its driver's troubles are in it. */
export function predictedHardwareFps(stream: TestedStream, { state, severityOf, parameterOf }: SampleView): number {
  const { machine } = state.setup;
  const trouble =
    state.hidden.troubles.hardwareDecode > 0 ? reachOf('hardwareDecode', severityOf('hardwareDecode')) : 0;
  const megapixels = (stream.widthPx * stream.heightPx) / 1e6;
  return (machine.decodeMegapixelPerSec * parameterOf('hardwareDecodeFactor')) / (1 + trouble) / megapixels;
}

/** What can be predicted of a test-play that lets the processor, and then the graphics, decode. */
export const predictedFpsOfWays = [predictedSoftwareFps, predictedHardwareFps] as const;

/** What the drive of a clip's original gives by its kind, megabytes a second; null where the clip is not in the set-up. */
export const statedReadRate = (clipId: string, { setup }: SetupState): number | null =>
  setup.clips.find(({ id }) => id === clipId)?.original.drive.readMegabytePerSec ?? null;

/** What a drive gives of which this much is stated, megabytes a second, by one sample. */
export function predictedReadRate(statedRate: number, { state, severityOf, parameterOf }: SampleView): number {
  const trouble = state.hidden.troubles.drive > 0 ? reachOf('drive', severityOf('drive')) : 0;
  return (statedRate * parameterOf('driveFactor')) / (1 + trouble);
}

/** How often a file that is read lies in memory already, because it was played or copied lately. Assumption. */
export const inMemoryRatio = 0.2;

/**
 * What the rate says at which a clip's file came. Memory is quicker than any drive, so that a slow file shows a slow
 * drive, and a quick one shows a quick drive or nothing.
 */
function createReadWeigher({ megabytePerSec, isAtLeast }: FileRead): Weigher {
  if (!isAtLeast) return createValueWeigher(megabytePerSec, readingSpread.testPlay);
  const weighDrive = createBoundsWeigher(megabytePerSec, Number.POSITIVE_INFINITY, readingSpread.testPlay);
  return (predicted) => Math.log(inMemoryRatio + (1 - inMemoryRatio) * Math.exp(weighDrive(predicted)));
}

/** Whether a trial's fix was made at a time; one that was kept without a word of when it was made, from then on. */
function isMadeAt({ direction, madeAtMs, endedAtMs, status }: Trial, atMs: number): boolean {
  const fromMs = madeAtMs ?? (status === 'kept' ? endedAtMs : null);
  const isOver = status === 'undone' && (endedAtMs ?? 0) <= atMs;
  return direction === 'make' && fromMs !== null && fromMs <= atMs && !isOver;
}

/** The fixes that were made when a test was played, the newest level of each. */
function fixesAt(trials: readonly Trial[], atMs: number): readonly FixUse[] {
  const made = trials.filter((trial) => isMadeAt(trial, atMs)).map(({ fix }) => fix);
  return made.filter(({ id }, i) => made.findLastIndex((other) => other.id === id) === i);
}

/** What a clip that was really read and decoded on this machine says of its drive, its cores and its graphics. */
export function listTestPlayEvidence({ decodeTests, clips, trials }: JobCard): readonly Evidence[] {
  const isOnCard = ({ clipId }: DecodeTest): boolean => clips.some(({ id }) => id === clipId);
  return [
    ...decodeTests.filter(({ stream }) => isTelling(stream)).flatMap((test) => evidenceOf(test, trials)),
    ...decodeTests.filter(isOnCard).flatMap((test) => readEvidenceOf(test, trials)),
  ];
}

function readEvidenceOf(test: DecodeTest, trials: readonly Trial[]): readonly Evidence[] {
  if (test.fileRead === null) return [];
  const fixes = fixesAt(trials, test.takenAtMs);
  const weigh = createReadWeigher(test.fileRead);
  return [
    {
      key: `${keyOfFixes(fixes)} test-play ${test.id} read`,
      fixes,
      source: { kind: 'test-play' as const, testId: test.id },
      extent: 'playing' as const,
      addTo: (into, samples, count) => {
        const statedRate = statedReadRate(test.clipId, samples.state);
        if (statedRate === null) return;
        weighEach((view) => weigh(predictedReadRate(statedRate, view)))(into, samples, count);
      },
    },
  ];
}

function evidenceOf(test: DecodeTest, trials: readonly Trial[]): readonly Evidence[] {
  const fixes = fixesAt(trials, test.takenAtMs);
  const ratesOf = [
    { way: 'software', fps: decodedFpsOf(test, 'software'), predict: predictedSoftwareFps },
    {
      way: 'hardware',
      fps: isHardwareProven(test) ? decodedFpsOf(test, 'hardware') : null,
      predict: predictedHardwareFps,
    },
  ] as const;
  return ratesOf.flatMap(({ way, fps, predict }) => {
    if (fps === null) return [];
    const weigh = createValueWeigher(fps, readingSpread.testPlay);
    return [
      {
        key: `${keyOfFixes(fixes)} test-play ${test.id} ${way}`,
        fixes,
        source: { kind: 'test-play' as const, testId: test.id },
        extent: 'playing' as const,
        addTo: weighEach((view) => weigh(predict(test.stream, view))),
      },
    ];
  });
}
