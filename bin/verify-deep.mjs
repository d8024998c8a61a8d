// `npm run verify:deep`: what is too long for `npm run verify`. `--tests` leaves the benchmarks out: their figures
// are for reading, and a busy machine's say nothing.
import { ensureBuild, ensurePackages, ensureTestPrograms } from './setup.mjs';
import { endToEndTests, npmStep, runSteps, unitTests } from './steps.mjs';

const isOnlyTests = process.argv.includes('--tests');

await runSteps('Deep checks', [
  ['packages', ensurePackages],
  [
    'chromium, firefox and ffmpeg',
    () => ensureTestPrograms([['chromium'], ['chromium-headless-shell', 'chromium'], ['firefox-esr'], ['ffmpeg']]),
  ],
  ['test media', npmStep('fixtures')],
  ['production build', ensureBuild],
  ['end-to-end tests: a shared window, and Firefox', endToEndTests(true)],
  ['unit tests: all scenarios, long laws', unitTests(true)],
  ...(isOnlyTests ? [] : [['benchmarks, a quick run of each', npmStep('bench:quick')]]),
]);
