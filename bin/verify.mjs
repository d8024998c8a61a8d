// `npm run verify`: sets up what is missing, then every check and test. Stops at the first step that fails, with
// its words, and always closes with one line "N passed, N failed" over the tests that ran.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, ensureTestPrograms, rootDir, SetupError } from './setup.mjs';

const reportDir = join(rootDir, '.verify');
const totals = { passed: 0, failed: 0 };

const runCommand = (command, args, env = {}) => {
  const { status } = spawnSync(command, args, {
    cwd: rootDir,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  if (status !== 0) throw new SetupError(`"${[command, ...args].join(' ')}" failed (exit ${status}).`);
};
const bin = (name, ...args) => runCommand(join(rootDir, 'node_modules', '.bin', name), args);

/** Counts a test step's results; a step that ran nothing, or skipped some, has failed. */
function count(name, { passed, failed, skipped }) {
  totals.passed += passed;
  totals.failed += failed;
  if (passed + failed === 0) throw new SetupError(`${name} ran no test.`);
  if (skipped > 0) throw new SetupError(`${name} skipped ${skipped} of its tests.`);
  if (failed > 0) throw new SetupError(`${failed} of ${passed + failed} tests of ${name} failed.`);
}

function runUnitTests() {
  const report = join(reportDir, 'unit.json');
  const ran = spawnSync(
    join(rootDir, 'node_modules', '.bin', 'vitest'),
    ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
    { cwd: rootDir, stdio: ['ignore', 'inherit', 'inherit'] },
  );
  if (!existsSync(report)) throw new SetupError(`The unit tests ended without a report (exit ${ran.status}).`);
  const { numPassedTests, numFailedTests, numPendingTests, numTodoTests, success } = JSON.parse(
    readFileSync(report, 'utf8'),
  );
  count('the unit tests', { passed: numPassedTests, failed: numFailedTests, skipped: numPendingTests + numTodoTests });
  if (!success) throw new SetupError('A unit test file failed to load; its words are above.');
}

function runEndToEndTests() {
  const report = join(reportDir, 'e2e.json');
  const ran = spawnSync(join(rootDir, 'node_modules', '.bin', 'playwright'), ['test', '--reporter=list,json'], {
    cwd: rootDir,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
  });
  if (!existsSync(report)) throw new SetupError(`The end-to-end tests ended without a report (exit ${ran.status}).`);
  const { stats, errors } = JSON.parse(readFileSync(report, 'utf8'));
  count('the end-to-end tests', {
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected,
    skipped: stats.skipped,
  });
  if (errors.length > 0) throw new SetupError(`The end-to-end tests had errors outside of tests: ${errors[0].message}`);
}

const steps = [
  ['packages', ensurePackages],
  ['chromium and ffmpeg', ensureTestPrograms],
  ['format and lint', () => bin('biome', 'ci', '--colors=off', '--error-on-warnings', '.')],
  ['types', () => runCommand('npm', ['run', '-s', 'types'])],
  ['layers', () => runCommand('npm', ['run', '-s', 'layers'])],
  ['unused code', () => bin('knip')],
  ['card schema', () => runCommand('npm', ['run', '-s', 'schema', '--', '--check'])],
  ['test media', () => runCommand('npm', ['run', '-s', 'fixtures'])],
  ['unit tests', runUnitTests],
  ['production build', ensureBuild],
  ['end-to-end tests', runEndToEndTests],
  ['benchmarks, a quick run of each', () => runCommand('npm', ['run', '-s', 'bench:quick'])],
];

rmSync(reportDir, { recursive: true, force: true });
mkdirSync(reportDir, { recursive: true });
const startedMs = Date.now();
let reason = null;
for (const [name, step] of steps) {
  const stepStartedMs = Date.now();
  console.log(`\n== ${name}`);
  try {
    await step();
    console.log(`== ${name}: ${((Date.now() - stepStartedMs) / 1000).toFixed(1)} s`);
  } catch (error) {
    reason = error instanceof SetupError ? error.message : String(error?.stack ?? error);
    console.log(`== ${name} FAILED: ${reason}`);
    break;
  }
}
console.log(`\n${reason ? 'Verify failed' : 'Verified'} after ${Math.round((Date.now() - startedMs) / 1000)} s.`);
// A check that fails outside of the tests counts as one failure, so that this line never looks green over a red run.
if (reason && totals.failed === 0) totals.failed = 1;
console.log(`${totals.passed} passed, ${totals.failed} failed`);
process.exit(reason ? 1 : 0);
