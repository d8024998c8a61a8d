import type { JobCard } from '../card';
import { driveOf } from '../machine/catalogue';
import type { ReadDrive, ReadMachine } from '../machine/read-machine';
import type { MachineRuns } from '../machine-test';
import { kernelReferenceMs } from '../machine-test/kernel';
import { createRandom } from '../numbers/random';
import { rigOf } from './measure-practice';
import type { PracticeFile } from './practice-file';

/** What the sample clip of a measurement costs on the reference core, as the shipped one does. */
const sample = { referenceMs: 11, megapixels: 2.07 };
const roundCount = 4;
/** A further thread of a decoder adds so much. */
const gainOfThread = 0.85;

/** What the helper would read of a practice machine: the same facts as the card tells of it. */
export function readPracticeMachine({ machine }: JobCard): ReadMachine {
  const { coreCount, memoryMib, graphics, graphicsMemoryMib, hasSecondGraphics, isPluggedIn, powerMode } = machine;
  const isSeparate = graphics.value === 'separate';
  const systemFreeGb = (500 * machine.systemDriveFreePercent.value) / 100;
  const drives: readonly ReadDrive[] = [
    { label: 'C:', kind: machine.cacheDrive.value, sizeGb: 500, freeGb: systemFreeGb, isSystem: true },
    { label: 'D:', kind: machine.footageDrive.value, sizeGb: 1000, freeGb: 310, isSystem: false },
  ];
  return {
    system: { kind: 'windows', name: 'a practice system', version: '1' },
    processor: { name: 'a practice processor', coreCount: coreCount.value, clockGhz: null },
    memory: { totalMib: memoryMib.value, freeMib: memoryMib.value / 3 },
    graphics:
      graphics.value === 'none'
        ? []
        : [
            {
              name: 'practice graphics',
              isSeparate,
              memoryMib: isSeparate ? graphicsMemoryMib.value : null,
            },
            ...(hasSecondGraphics.value === 'yes'
              ? [{ name: 'second practice graphics', isSeparate: false, memoryMib: null }]
              : []),
          ],
    drives,
    battery: isPluggedIn.value === 'no' ? { isPluggedIn: false, percent: 60 } : null,
    powerMode: powerMode.value,
  };
}

/**
 * What the runs of a measurement would find on a practice machine with its hidden faults, no two measurements quite alike.
 * `takenCount` is how often it was measured before. Null where the card has no video.
 */
export function runPracticeMachine(card: JobCard, practice: PracticeFile, takenCount: number): MachineRuns | null {
  const rig = rigOf(card, practice);
  if (!rig) return null;
  const random = createRandom(practice.seed + 389 * (takenCount + 1));
  const speed = rig.coreSpeed * rig.faults.powerShare;
  const oneFps = (1000 * speed) / sample.referenceMs;
  const gainOf = (threads: number): number => 1 + gainOfThread * (threads - 1);
  const rounds = (fps: number): readonly number[] =>
    Array.from({ length: roundCount }, () => fps * random.factor(0.015));
  const { decodeMegapixelPerSec, speed: graphicsSpeed } = rig.graphics;
  return {
    sample,
    coreCount: rig.coreCount,
    singleFps: rounds(oneFps),
    togetherFps: rounds(oneFps * gainOf(rig.coreCount)),
    aloneFps: oneFps * gainOf(rig.coreCount) * random.factor(0.015),
    hardwareFps: decodeMegapixelPerSec > 0 ? (decodeMegapixelPerSec / sample.megapixels) * random.factor(0.02) : null,
    kernelMs: Array.from({ length: 7 }, () => (kernelReferenceMs / speed) * random.factor(0.02)),
    drawing: decodeMegapixelPerSec > 0 ? { graphicsMs: 10, referenceMs: 10 * graphicsSpeed } : null,
    storage: (({ readMegabytePerSec }) => ({
      writtenMegabytePerSec: readMegabytePerSec * 0.6,
      readMegabytePerSec,
    }))(driveOf(card.machine.cacheDrive.value)),
  };
}
