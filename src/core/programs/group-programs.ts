import { isProtected } from './role-traits';
import type { ProcessRow, ProgramRole, ProgramUse } from './types';

/** Processes that draw web pages inside of other programs: they belong to whatever started them. */
const hostedNames: ReadonlySet<string> = new Set(['msedgewebview2', 'webkitwebprocess', 'webkitnetworkprocess']);

/** What helpers add to the name of the program that they belong to. */
const helperEndings =
  /(?:[ ._-]*(?:\((?:renderer|gpu|plugin|alerts|service)\)|helper|renderer|gpu|plugin|service|daemon|agent|worker|host|tray|background|crash(?:pad)?[ _-]?handler|web ?content|child|bin|(?:32|64)(?:[ -]?bit)?))+$/i;

/** The name that a program and its helpers share: "Pigeon Post Helper (Renderer)" is "pigeon post". */
export function programKeyOf(name: string): string {
  const stripped = name.replace(helperEndings, '').trim();
  return (stripped.length >= 3 ? stripped : name).toLowerCase();
}

/** Programs that start others which are not their own: what they started is a program by itself. */
const startsOthers = (role: ProgramRole): boolean => role === 'launcher' || (isProtected(role) && role !== 'editor');

const sumOrNull = (values: readonly (number | null)[]): number | null => {
  const known = values.filter((value) => value !== null);
  return known.length === 0 ? null : known.reduce((sum, value) => sum + value, 0);
};

/** The cores of several processes together, moment by moment; each was looked at equally often. */
function addCourses(rows: readonly ProcessRow[]): readonly number[] {
  const courses = rows.flatMap(({ courseCores }) => (courseCores ? [courseCores] : []));
  const length = Math.max(0, ...courses.map((course) => course.length));
  return Array.from({ length }, (_, i) => courses.reduce((sum, course) => sum + (course[i] ?? 0), 0));
}

/**
 * Processes as programs, those that take most first. A process belongs to the program whose name it shares, or else to
 * the one that started it, unless that is the system or something that only starts others. The
 * system's own processes are one program each by their name. `roleByKey`: what the person said of programs. O(rows).
 */
export function groupPrograms(
  rows: readonly ProcessRow[],
  roleByKey: ReadonlyMap<string, ProgramRole> = new Map(),
): readonly ProgramUse[] {
  const byId = new Map(rows.map((row) => [row.processId, row]));
  const saidOf = (row: ProcessRow): ProgramRole => roleByKey.get(programKeyOf(row.name)) ?? row.role;
  /** The process that stands for the program of each process. */
  const rootOf = new Map<number, ProcessRow>();
  const findRoot = (row: ProcessRow): ProcessRow => {
    const known = rootOf.get(row.processId);
    if (known) return known;
    const path: ProcessRow[] = [];
    const seen = new Set<number>();
    let at = row;
    for (;;) {
      path.push(at);
      seen.add(at.processId);
      // The first process starts all others, whatever its name is.
      const parent = at.parentId === null || at.parentId <= 1 ? undefined : byId.get(at.parentId);
      if (!parent) break;
      if (seen.has(parent.processId)) {
        // Lists are taken while processes come and go, and pasted by people: a circle of parents ends at its lowest number,
        // wherever it is entered.
        const circle = path.slice(path.findIndex(({ processId }) => processId === parent.processId));
        at = circle.reduce((lowest, other) => (other.processId < lowest.processId ? other : lowest), at);
        break;
      }
      const isSameProgram = programKeyOf(parent.name) === programKeyOf(at.name);
      if (!isSameProgram && startsOthers(saidOf(parent))) break;
      // What has a purpose of its own is a program of its own, whoever started it.
      const isOwn =
        saidOf(at) !== 'unknown' && saidOf(at) !== saidOf(parent) && !hostedNames.has(at.name.toLowerCase());
      if (!isSameProgram && isOwn) break;
      at = parent;
      const end = rootOf.get(at.processId);
      if (end) {
        at = end;
        break;
      }
    }
    for (const step of path) rootOf.set(step.processId, at);
    return at;
  };
  const groups = new Map<string, { readonly root: ProcessRow; readonly members: ProcessRow[] }>();
  for (const row of rows) {
    const root = findRoot(row);
    const key = programKeyOf(root.name);
    const group = groups.get(key);
    if (group) group.members.push(row);
    else groups.set(key, { root, members: [row] });
  }
  const programs = [...groups].map(([key, { root, members }]): ProgramUse => {
    // Named as itself, not as its first helper, nor as something that it started.
    const named = members.find(({ name }) => name.toLowerCase() === key) ?? root;
    return {
      rootProcessId: root.processId,
      name: named.name,
      role: saidOf(root),
      processCount: members.length,
      busyCores: sumOrNull(members.map(({ busyCores }) => busyCores)),
      memoryMib: sumOrNull(members.map(({ memoryMib }) => memoryMib)),
      driveMegabytePerSec: sumOrNull(members.map((row) => row.driveMegabytePerSec ?? null)),
      courseCores: addCourses(members),
    };
  });
  return programs.sort((a, b) => weightOf(b) - weightOf(a) || a.name.localeCompare(b.name, 'en'));
}

/** What a program takes, as one figure to order by: a core weighs as much as 4 GiB. */
export const weightOf = ({ busyCores, memoryMib }: Pick<ProgramUse, 'busyCores' | 'memoryMib'>): number =>
  (busyCores ?? 0) + (memoryMib ?? 0) / 4096;

/** Rows with the threads of the Linux kernel as the system's: they are told by what started them. */
export function markKernelThreads(rows: readonly ProcessRow[]): readonly ProcessRow[] {
  const kernelId = rows.find(({ name }) => name === 'kthreadd')?.processId;
  if (kernelId === undefined) return rows;
  return rows.map((row) => (row.parentId === kernelId && row.role !== 'system' ? { ...row, role: 'system' } : row));
}
