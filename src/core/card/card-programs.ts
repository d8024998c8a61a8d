import type { MemorySplit } from '../load/memory';
import { meanOf } from '../numbers/mean';
import {
  canCloseRole,
  groupPrograms,
  isProtected,
  type ProgramRole,
  type ProgramUse,
  programKeyOf,
  weightOf,
} from '../programs';
import type { ProcessRow } from '../programs/types';
import type { CardProgram, JobCard } from './types';

/** A program that somebody types, with what is known of it. */
export const createProgram = (id: string, known: Partial<Omit<CardProgram, 'id'>> = {}): CardProgram => ({
  id,
  name: '',
  busyCores: null,
  memoryMib: null,
  driveMegabytePerSec: null,
  peakCores: null,
  changeCores: null,
  canClose: 'unknown',
  role: 'unknown',
  source: 'typed',
  processCount: null,
  rootProcessId: null,
  outcome: null,
  ...known,
});

/** Below this a program is no more than a line to read: it goes with the other small ones. */
const leastBusyCores = 0.02;
const leastMib = 60;
/** As many programs as a person looks through. */
const mostShown = 80;

/** From so many cores on, or so much memory where nobody knows the cores, a program is worth closing at first sight. */
const worthCores = 0.1;
const worthMib = 400;

/** Whether a program is chosen to be closed before anybody looked: only what may be, and takes something. */
function offerOf({ role, busyCores, memoryMib }: ProgramUse): CardProgram['canClose'] {
  const isWorth = busyCores === null ? (memoryMib ?? 0) >= worthMib : busyCores >= worthCores;
  const canClose = canCloseRole(role);
  return canClose === 'yes' && !isWorth ? 'unknown' : canClose;
}

/** Fewer moments tell neither a burst nor a trend. */
const leastMoments = 4;

/** What the moments of a look tell beside their mean: the busiest, and how the second half stands to the first. */
function describeCourse(courseCores: readonly number[]): Pick<CardProgram, 'peakCores' | 'changeCores'> {
  if (courseCores.length < leastMoments) return { peakCores: null, changeCores: null };
  const half = Math.floor(courseCores.length / 2);
  return {
    peakCores: Math.max(...courseCores),
    changeCores: meanOf(courseCores.slice(-half)) - meanOf(courseCores.slice(0, half)),
  };
}

/** The id under which the small programs of a list lie together. */
export const smallProgramsId = 'small-programs';

/** What the person said of programs before, by what a program and its helpers share of their names. */
export const rolesSaid = (programs: readonly CardProgram[]): ReadonlyMap<string, ProgramRole> =>
  new Map(programs.filter(({ role }) => role !== 'unknown').map(({ name, role }) => [programKeyOf(name), role]));

const sum = (values: readonly (number | null)[]): number | null =>
  values.every((value) => value === null) ? null : values.reduce<number>((total, value) => total + (value ?? 0), 0);

/**
 * A list of processes as the programs of a card, those that take most first. What was said of a program before, its role and
 * whether it may be closed, stays; programs that were typed and are not on the list stay too. Small programs of which nothing
 * was said lie together in one that is not offered. `roleByKey`: what was said on other cards. O(rows + programs).
 */
export function listOnCard(
  rows: readonly ProcessRow[],
  source: 'read' | 'imported',
  before: readonly CardProgram[],
  roleByKey: ReadonlyMap<string, ProgramRole> = new Map(),
): readonly CardProgram[] {
  const said = new Map([...roleByKey, ...rolesSaid(before)]);
  const known = new Map(before.map((program) => [programKeyOf(program.name), program]));
  const uses = groupPrograms(rows, said);
  const isLarge = (use: ProgramUse, i: number): boolean =>
    known.has(programKeyOf(use.name)) ||
    use.role === 'editor' ||
    (i < mostShown && ((use.busyCores ?? 0) >= leastBusyCores || (use.memoryMib ?? 0) >= leastMib));
  const large = uses.filter(isLarge);
  const small = uses.filter((use, i) => !isLarge(use, i));
  const listed = large.map((use): CardProgram => {
    const was = known.get(programKeyOf(use.name));
    const isTold = was !== undefined && was.id !== smallProgramsId;
    return {
      id: isTold ? was.id : `program:${programKeyOf(use.name)}`.slice(0, 80),
      name: use.name,
      busyCores: use.busyCores,
      memoryMib: use.memoryMib,
      driveMegabytePerSec: use.driveMegabytePerSec,
      ...describeCourse(use.courseCores),
      canClose: isProtected(use.role) ? 'no' : isTold ? was.canClose : offerOf(use),
      role: use.role,
      source,
      processCount: use.processCount,
      rootProcessId: use.rootProcessId,
      outcome: null,
    };
  });
  const listedKeys = new Set(listed.map(({ name }) => programKeyOf(name)));
  const typed = before.filter(({ source, name }) => source === 'typed' && !listedKeys.has(programKeyOf(name)));
  const together =
    small.length === 0
      ? []
      : [
          createProgram(smallProgramsId, {
            name: 'small ones together',
            busyCores: sum(small.map(({ busyCores }) => busyCores)),
            memoryMib: sum(small.filter(({ role }) => role !== 'system').map(({ memoryMib }) => memoryMib)),
            canClose: 'no',
            source,
            processCount: small.reduce((count, { processCount }) => count + processCount, 0),
          }),
        ];
  return [...listed, ...typed].toSorted((a, b) => weightOf(b) - weightOf(a)).concat(together);
}

/** The programs that the person chose to close or to pause. */
export const listChosen = ({ programs }: JobCard): readonly CardProgram[] =>
  programs.filter(({ canClose, id }) => canClose === 'yes' && id !== smallProgramsId);

/** The programs of a card as they were seen, to be held against a later list. */
export const seenOnCard = (programs: readonly CardProgram[]): readonly ProgramUse[] =>
  programs
    .filter(({ id }) => id !== smallProgramsId)
    .map(({ name, role, processCount, busyCores, memoryMib, driveMegabytePerSec, rootProcessId }) => ({
      rootProcessId: rootProcessId ?? -1,
      name,
      role,
      processCount: processCount ?? 1,
      busyCores,
      memoryMib,
      driveMegabytePerSec,
      courseCores: [],
    }));

/** How memory is split by the list that was seen; null where none told what is free. The system has what is left over. */
export function splitMemory({ programs, programsSeen, machine }: JobCard): MemorySplit | null {
  const left = programsSeen?.memoryFreeMib ?? null;
  if (left === null) return null;
  const heldBy = (isCounted: (program: CardProgram) => boolean): number =>
    programs.filter(isCounted).reduce((total, { memoryMib }) => total + (memoryMib ?? 0), 0);
  const total = Math.max(machine.memoryMib.value, left);
  // Memory that processes share is counted with each of them: what they seem to hold may be more than there is.
  const editor = heldBy(({ role }) => role === 'editor');
  const others = heldBy(({ role }) => role !== 'editor' && role !== 'system' && role !== 'driver-helper');
  const room = total - left;
  const ratio = editor + others > room ? room / (editor + others) : 1;
  return { system: room - ratio * (editor + others), editor: ratio * editor, others: ratio * others, left };
}

/** A look at what runs says nothing of later than this. */
const lookLastsMs = 30 * 60_000;

/** The recorder of the screen that ran at the last look, as far as that still tells; null where none did. */
export function recorderAt({ programs, programsSeen }: JobCard, atMs: number): string | null {
  if (!programsSeen || atMs - programsSeen.takenAtMs > lookLastsMs) return null;
  return programs.find(({ role, outcome }) => role === 'recorder' && outcome !== 'gone')?.name ?? null;
}
