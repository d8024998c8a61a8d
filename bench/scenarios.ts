// Of retold cases in many variants: in how many the right cause is named, the first plan cures and nothing useless is expected to help.
// Prints one JSON line. `--quick`: two variants of each.
import { faultsOf } from '../tests/scenarios/faults-of';
import { scenarios } from '../tests/scenarios/scenarios';

const variantCount = process.argv.includes('--quick') ? 2 : 20;
const wrong = scenarios.flatMap((scenario) =>
  Array.from({ length: variantCount }, (_, i) => i + 1).flatMap((variant) => {
    const faults = faultsOf(scenario, variant);
    return faults.length > 0 ? [{ scenario: scenario.name, variant, faults }] : [];
  }),
);
const caseCount = scenarios.length * variantCount;
console.log(JSON.stringify({ bench: 'scenarios', caseCount, rightCount: caseCount - wrong.length, wrong }));
