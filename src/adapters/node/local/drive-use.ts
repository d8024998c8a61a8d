import { readFile } from 'node:fs/promises';

const bytesPerMegabyte = 1e6;

/** Bytes that a process has read from drives and written to them since it began; null where the system does not say. */
async function readDriveBytes(processId: number): Promise<number | null> {
  let text: string;
  try {
    text = await readFile(`/proc/${processId}/io`, 'latin1');
  } catch {
    // It ended meanwhile, it is another person's, or the system has no such list.
    return null;
  }
  const read = /^read_bytes: (\d+)$/m.exec(text)?.[1];
  const written = /^write_bytes: (\d+)$/m.exec(text)?.[1];
  return read === undefined || written === undefined ? null : Number(read) + Number(written);
}

/**
 * Drive use of processes since it was last asked for, as Linux tells it of the person's own processes. The first answer of a
 * process says nothing, because nobody knows how long it took for what it has read by then.
 */
export class DriveUse {
  private before = new Map<number, number>();
  private askedAtMs = 0;

  constructor(
    private readonly readBytes: (processId: number) => Promise<number | null> = readDriveBytes,
    private readonly nowMs: () => number = () => performance.now(),
  ) {}

  /** Megabytes a second by process; what is not known is left out. */
  async since(processIds: readonly number[]): Promise<ReadonlyMap<number, number>> {
    const atMs = this.nowMs();
    const seconds = (atMs - this.askedAtMs) / 1000;
    const now = new Map<number, number>();
    const rates = new Map<number, number>();
    for (const processId of processIds) {
      const bytes = await this.readBytes(processId);
      if (bytes === null) continue;
      now.set(processId, bytes);
      const was = this.before.get(processId);
      // A number that is used again begins at nothing.
      if (was !== undefined && bytes >= was && seconds > 0)
        rates.set(processId, (bytes - was) / bytesPerMegabyte / seconds);
    }
    this.before = now;
    this.askedAtMs = atMs;
    return rates;
  }
}
