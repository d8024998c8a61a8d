// Random commands in one and two tabs over the real card store, on a storage that fails at a random operation and recovers
// or not; afterwards the tab is closed and opened. Prints one JSON line: what was lost of what had been shown as stored, and
// what was neither stored nor announced. `--quick`: 50 runs.
import { runFaults } from '../tests/faults/run-faults';

const runCount = process.argv.includes('--quick') ? 50 : 1000;
const startedMs = Date.now();
const kinds = new Map<string, number>();
let commandCount = 0;
const lost: string[] = [];
const silent: string[] = [];
for (let seed = 1; seed <= runCount; seed++) {
  const run = await runFaults(seed);
  commandCount += run.commandCount;
  for (const kind of run.faults) kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
  lost.push(...run.lost.map((what) => `seed ${seed}: ${what}`));
  silent.push(...run.silent.map((what) => `seed ${seed}: ${what}`));
}
console.log(
  JSON.stringify({
    bench: 'faults',
    runCount,
    commandCount,
    faults: Object.fromEntries(kinds),
    lostCount: lost.length,
    silentCount: silent.length,
    lost: lost.slice(0, 20),
    silent: silent.slice(0, 20),
    sec: Math.round((Date.now() - startedMs) / 1000),
  }),
);
if (lost.length + silent.length > 0) process.exitCode = 1;
