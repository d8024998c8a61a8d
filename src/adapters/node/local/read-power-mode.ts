import { execFile } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { platform } from 'node:os';
import { promisify } from 'node:util';
import type { PowerMode } from '@/core/machine';

/** Windows names its own three plans by these numbers in every language; plans that a maker added have others. */
const windowsPlans: Readonly<Record<string, PowerMode>> = {
  'a1841308-3541-4fab-bc81-f71556f20b4a': 'saving',
  '381b4222-f694-41f0-9685-ff5bb260df2e': 'balanced',
  '8c5e7fda-e8bf-4a96-9a85-a6e23a8c635c': 'full',
};
/** The Linux kernel's names (Documentation/ABI/testing/sysfs-platform_profile). */
const linuxProfiles: Readonly<Record<string, PowerMode>> = {
  'low-power': 'saving',
  quiet: 'saving',
  cool: 'saving',
  balanced: 'balanced',
  'balanced-performance': 'balanced',
  performance: 'full',
};

/** What a system's own answer says of its power mode; null where it says none of those that are known. */
export function powerModeOf(system: NodeJS.Platform, answer: string): PowerMode | null {
  if (system === 'win32')
    return windowsPlans[/[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/i.exec(answer)?.[0].toLowerCase() ?? ''] ?? null;
  if (system === 'linux') return linuxProfiles[answer.trim()] ?? null;
  const isSaving = /^\s*(?:lowpowermode|powermode)\s+(\d)/m.exec(answer)?.[1];
  return isSaving === undefined ? null : isSaving === '1' ? 'saving' : 'full';
}

const run = promisify(execFile);
const limits = { timeout: 3000, windowsHide: true };

async function ask(system: NodeJS.Platform): Promise<string> {
  if (system === 'win32') return (await run('powercfg', ['/getactivescheme'], limits)).stdout;
  if (system === 'darwin') return (await run('/usr/bin/pmset', ['-g'], limits)).stdout;
  return await readFile('/sys/firmware/acpi/platform_profile', 'utf8');
}

/** The power mode that is set on this computer; null where the system does not say. Never rejects. */
export async function readPowerMode(): Promise<PowerMode | null> {
  try {
    return powerModeOf(platform(), await ask(platform()));
  } catch {
    // Desktop computers and older systems have no such thing to ask.
    return null;
  }
}
