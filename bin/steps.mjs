// How `npm run verify` and `npm run verify:deep` run: one step after another, each with its seconds, stopping at the
// first that fails, with its words, and always closing with one line "N passed, N failed" over the tests that ran.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { quietEnv, rootDir, SetupError } from './setup.mjs';

const reportDir = join(rootDir, '.verify');
const totals = { passed: 0, failed: 0 };
const secondsSince = (startedMs) => ((Date.now() - startedMs) / 1000).toFixed(1);

/** The exit code of a command; what it says is shown as it comes, or given back as `output` where it is held. */
const runToEnd = (command, args, { env = {}, isHeld = false } = {}) =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: rootDir,
      stdio: ['ignore', isHeld ? 'pipe' : 'inherit', isHeld ? 'pipe' : 'inherit'],
      env: { ...quietEnv, ...env },
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (text) => {
        output += text;
      });
    child.on('error', reject);
    child.on('close', (status) => resolve({ status, output }));
  });

const bin = (name) => join(rootDir, 'node_modules', '.bin', name);

/** A step of one command. */
export const npmStep =
  (script, ...args) =>
  async () => {
    const { status } = await runToEnd('npm', ['run', '-s', script, ...(args.length > 0 ? ['--', ...args] : [])]);
    if (status !== 0) throw new SetupError(`"npm run ${script}" failed (exit ${status}).`);
  };

/** A step of several commands that have nothing to do with each other, at once; each says its words when it ends. */
export const atOnce = (commands) => async () => {
  const failed = await Promise.all(
    commands.map(async ([name, ...args]) => {
      const startedMs = Date.now();
      const { status, output } = await runToEnd(name === 'npm' ? name : bin(name), args, { isHeld: true });
      console.log(`   ${[name, ...args].join(' ')}: ${status === 0 ? 'fine' : 'FAILED'}, ${secondsSince(startedMs)} s`);
      if (status !== 0 && output.trim()) console.log(output.trim());
      return status === 0 ? [] : [[name, ...args].join(' ')];
    }),
  );
  if (failed.flat().length > 0) throw new SetupError(`${failed.flat().join(', ')} failed.`);
};

/** Counts a test step's results; a step that ran nothing, or skipped some, has failed. */
function count(name, { passed, failed, skipped }) {
  totals.passed += passed;
  totals.failed += failed;
  if (passed + failed === 0) throw new SetupError(`${name} ran no test.`);
  if (skipped > 0) throw new SetupError(`${name} skipped ${skipped} of its tests.`);
  if (failed > 0) throw new SetupError(`${failed} of ${passed + failed} tests of ${name} failed.`);
}

const testsEnv = (isDeep) => (isDeep ? { OIL_CAN_TESTS: 'deep' } : {});
const slowest = (tests) =>
  tests
    .sort((a, b) => b.seconds - a.seconds)
    .slice(0, 10)
    .map(({ name, seconds }) => `   ${seconds.toFixed(1).padStart(6)} s  ${name}`)
    .join('\n');

/** The unit tests; `isDeep`: only those that `npm run verify` leaves out. */
export const unitTests = (isDeep) => async () => {
  const report = join(reportDir, 'unit.json');
  rmSync(report, { force: true });
  const ran = await runToEnd(
    bin('vitest'),
    ['run', '--reporter=dot', '--reporter=json', `--outputFile.json=${report}`],
    { env: testsEnv(isDeep) },
  );
  if (!existsSync(report)) throw new SetupError(`The unit tests ended without a report (exit ${ran.status}).`);
  const { numPassedTests, numFailedTests, numPendingTests, numTodoTests, success, testResults } = JSON.parse(
    readFileSync(report, 'utf8'),
  );
  console.log(
    `The slowest files:\n${slowest(
      testResults.map((file) => ({
        name: file.name.replace(rootDir, ''),
        seconds: file.assertionResults.reduce((sum, test) => sum + (test.duration ?? 0), 0) / 1000,
      })),
    )}`,
  );
  count('the unit tests', { passed: numPassedTests, failed: numFailedTests, skipped: numPendingTests + numTodoTests });
  if (!success) throw new SetupError('A unit test file failed to load; its words are above.');
};

/** The end-to-end tests; `isDeep`: only those that `npm run verify` leaves out. */
export const endToEndTests = (isDeep) => async () => {
  const report = join(reportDir, 'e2e.json');
  rmSync(report, { force: true });
  const ran = await runToEnd(bin('playwright'), ['test', '--reporter=list,json'], {
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: report, ...testsEnv(isDeep) },
  });
  if (!existsSync(report)) throw new SetupError(`The end-to-end tests ended without a report (exit ${ran.status}).`);
  const { stats, errors } = JSON.parse(readFileSync(report, 'utf8'));
  // One that passed only when tried again has failed once: it counts as failed.
  count('the end-to-end tests', {
    passed: stats.expected,
    failed: stats.unexpected + stats.flaky,
    skipped: stats.skipped,
  });
  if (errors.length > 0) throw new SetupError(`The end-to-end tests had errors outside of tests: ${errors[0].message}`);
};

/** Runs the steps, each `[name, run]`, and ends the process with what came of them. */
export async function runSteps(title, steps) {
  mkdirSync(reportDir, { recursive: true });
  const startedMs = Date.now();
  let reason = null;
  for (const [name, step] of steps) {
    const stepStartedMs = Date.now();
    console.log(`\n== ${name}`);
    try {
      await step();
      console.log(`== ${name}: ${secondsSince(stepStartedMs)} s`);
    } catch (error) {
      reason = error instanceof SetupError ? error.message : String(error?.stack ?? error);
      console.log(`== ${name} FAILED: ${reason}`);
      break;
    }
  }
  console.log(`\n${title}: ${reason ? 'failed' : 'done'} after ${secondsSince(startedMs)} s.`);
  // A check that fails outside of the tests counts as one failure, so that this line never looks green over a red run.
  if (reason && totals.failed === 0) totals.failed = 1;
  console.log(`${totals.passed} passed, ${totals.failed} failed`);
  process.exit(reason ? 1 : 0);
}
