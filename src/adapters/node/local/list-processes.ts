import { availableParallelism, platform } from 'node:os';
import { pid as ownId } from 'node:process';
import { mem, processes, type Systeminformation } from 'systeminformation';
import { describeFile } from '@/adapters/shared/process-list/read-process-list';
import { markKernelThreads, type ProcessRow, type ProcessSample, type ProcessSystem } from '@/core/programs';
import { DriveUse } from './drive-use';

const bytesPerMib = 2 ** 20;
/** More than any computer of a person runs. */
const mostProcesses = 5000;

const systems: Readonly<Record<string, ProcessSystem>> = { linux: 'linux', darwin: 'macos', win32: 'windows' };

/** The program's file with its folder: on macOS the bundle, whose name is the program's. */
const fileOf = ({ name, path, command }: Systeminformation.ProcessesProcessData): string => {
  const bundle = /^\/.*?\.app\//.exec(command)?.[0];
  if (bundle) return bundle;
  return path === '' ? name : `${path}${path.includes('\\') ? '\\' : '/'}${name}`;
};

/** What Oil Can itself takes is shown, and is not to be closed: the page would be gone. */
const nameAndRoleOf = (process: Systeminformation.ProcessesProcessData): Pick<ProcessRow, 'name' | 'role'> =>
  process.pid === ownId ? { name: 'Oil Can’s own server', role: 'system' } : describeFile(fileOf(process));

/** A row of what may be told; the rest, such as what a program was started with and by whom, ends here. */
const toRow = (
  process: Systeminformation.ProcessesProcessData,
  coresOfPercent: number,
  driveMegabytePerSec: number | undefined,
): ProcessRow => ({
  processId: process.pid,
  parentId: process.parentPid,
  ...nameAndRoleOf(process),
  busyCores: Math.max(0, process.cpu * coresOfPercent),
  memoryMib: Math.max(0, process.memRss / 1024),
  ...(driveMegabytePerSec !== undefined && { driveMegabytePerSec }),
});

const driveUse = new DriveUse();

/** All processes of this computer; core and drive use are those since the last call, core use on macOS that of the last minute. */
export async function listLocalProcesses(): Promise<Omit<ProcessSample, 'atMs' | 'coversSec'>> {
  const [{ list }, memory] = await Promise.all([processes(), mem()]);
  const coreCount = availableParallelism();
  // systeminformation states shares of all cores, and on macOS what the system's own list says: of one core.
  const coresOfPercent = (platform() === 'darwin' ? 1 : coreCount) / 100;
  const listed = list
    // One that has ended stays on the list until whoever started it has noticed.
    .filter(({ pid, name, state }) => Number.isSafeInteger(pid) && pid > 0 && name !== '' && state !== 'zombie')
    .slice(0, mostProcesses);
  const driveRates = await driveUse.since(listed.map(({ pid }) => pid));
  return {
    system: systems[platform()] ?? 'unknown',
    coreCount,
    memoryMib: memory.total / bytesPerMib,
    memoryFreeMib: memory.available / bytesPerMib,
    rows: markKernelThreads(listed.map((process) => toRow(process, coresOfPercent, driveRates.get(process.pid)))),
  };
}
