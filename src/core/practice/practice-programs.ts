import { fixesInForce, type JobCard, openTrial } from '../card';
import { closesPrograms } from '../fixes';
import { createRandom } from '../numbers/random';
import { averageSamples, type ProcessRow, programKeyOf, roleOf, type SampledPrograms } from '../programs';
import type { PracticeFile, PracticeProgram } from './practice-file';

/** The seconds that a look at a practice machine covers. */
const coversSec = 14;
const sampleCount = 7;
/** What works by fits and starts does so twice as hard half of the time, and next to nothing the other half. */
const burstFactors = [0.15, 1.85] as const;
/** Of memory, what the system keeps for itself beside its processes. */
const systemShare = 0.06;

/** What is closed on the practice machine: what was ticked, once the change is said to be made. */
function closedKeys(card: JobCard): ReadonlySet<string> {
  const isInForce = fixesInForce(card).some(({ id }) => closesPrograms(id));
  const trial = openTrial(card);
  const isBeingMade = trial !== null && trial.madeAtMs === null && closesPrograms(trial.fix.id);
  if (!isInForce && !isBeingMade) return new Set();
  return new Set(card.programs.filter(({ canClose }) => canClose === 'yes').map(({ name }) => programKeyOf(name)));
}

/** The processes of one program: the first started the others, which share what it takes. */
function toRows(program: PracticeProgram, firstId: number, busyCores: number): readonly ProcessRow[] {
  const { name, processCount, memoryMib, driveMegabytePerSec } = program;
  return Array.from({ length: processCount }, (_, i) => ({
    processId: firstId + i,
    parentId: i === 0 ? 1 : firstId,
    name,
    role: roleOf(name),
    busyCores: busyCores / processCount,
    memoryMib: memoryMib / processCount,
    ...(driveMegabytePerSec !== undefined && { driveMegabytePerSec: driveMegabytePerSec / processCount }),
  }));
}

/**
 * What the helper would say of a practice machine: its programs as they run by now, no two looks quite alike. What the card
 * says is closed does not run, but for what starts again by itself. `lookCount` is how often it was looked at before.
 */
export function readPracticePrograms(
  card: JobCard,
  { seed, programs }: PracticeFile,
  lookCount: number,
): SampledPrograms {
  const closed = closedKeys(card);
  const random = createRandom(seed + 977 * (lookCount + 1));
  const rows = programs.flatMap((program, i) => {
    const isClosed = closed.has(programKeyOf(program.name));
    if (isClosed && !program.comesBack) return [];
    // Started anew it has other numbers.
    const firstId = 1000 * (i + 1) + (isClosed ? 500 : 0);
    return toRows(program, firstId, program.busyCores * random.factor(0.05));
  });
  const memoryMib = card.machine.memoryMib.value;
  const takenMib = rows.reduce((sum, row) => sum + (row.memoryMib ?? 0), systemShare * memoryMib);
  const bursty = new Set(programs.filter(({ isBursty }) => isBursty).map(({ name }) => name));
  // The half minute before, in which everything ran a little more or a little less.
  const samples = Array.from({ length: sampleCount }, (_, i) => ({
    atMs: (i * 1000 * coversSec) / sampleCount,
    coversSec: coversSec / sampleCount,
    system: 'windows' as const,
    coreCount: card.machine.coreCount.value,
    memoryMib,
    memoryFreeMib: Math.max(0.02 * memoryMib, memoryMib - takenMib),
    rows: rows.map((row) => ({
      ...row,
      busyCores:
        (row.busyCores ?? 0) *
        (bursty.has(row.name) ? (i % 2 === 0 ? burstFactors[0] : burstFactors[1]) : 1) *
        random.factor(0.2),
    })),
  }));
  return { ...averageSamples(samples), ownBusyCores: 0 };
}
