// Runs the cases of a range of seeds and prints one JSON line each: `tsx bench/diagnosis/run-seeds.ts FIRST LAST STEP`.
import { createCase } from '@/core/simulate/cases';
import { Session } from './session';
import { findCure, nameCauses, runFixedList, runLoop, runOracle, runRawEstimate } from './ways';

const [first = 1, last = 1, step = 1] = process.argv.slice(2).map(Number);
const isVerbose = process.argv.includes('--log');
for (let seed = first; seed <= last; seed += step) {
  const practice = createCase(seed);
  const cure = findCure(practice);
  const { ending, named, diagnoseMs } = runLoop(
    practice,
    isVerbose ? (line) => console.error(`${seed} ${line}`) : undefined,
  );
  console.log(
    JSON.stringify({
      seed,
      way: practice.person.way,
      gap: new Session(practice).gapUnder([]),
      trueCauseId: practice.trueCauseId,
      equalCauseIds: practice.equalCauseIds,
      faultIds: practice.faultIds,
      complaints: practice.complaints,
      cure,
      named: nameCauses(practice).slice(0, 8),
      namedInLoop: named.slice(0, 8),
      loop: ending,
      fixedList: runFixedList(practice),
      rawEstimate: runRawEstimate(practice),
      oracle: runOracle(practice, cure),
      diagnoseMs: diagnoseMs.length === 0 ? 0 : diagnoseMs.reduce((sum, ms) => sum + ms, 0) / diagnoseMs.length,
    }),
  );
}
