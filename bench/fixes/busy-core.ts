import { spawn } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';

/** Keeps one core busy while `work` runs. */
export async function besideBusyCore<T>(core: number, work: () => Promise<T>): Promise<T> {
  const busy = spawn('taskset', ['-c', String(core), process.execPath, '-e', 'for (;;);'], { stdio: 'ignore' });
  await sleep(300);
  try {
    return await work();
  } finally {
    busy.kill('SIGKILL');
  }
}
