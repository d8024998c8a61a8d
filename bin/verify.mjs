// `npm run verify`: sets up what is missing, then every check and every test that is not long.
import { ensureBuild, ensurePackages, ensureTestPrograms } from './setup.mjs';
import { atOnce, endToEndTests, npmStep, runSteps, unitTests } from './steps.mjs';

await runSteps('Verify', [
  ['packages', ensurePackages],
  ['chromium and ffmpeg', () => ensureTestPrograms([['chromium-headless-shell', 'chromium'], ['ffmpeg']])],
  [
    'format, types, layers, unused code, card schema',
    atOnce([
      ['biome', 'ci', '--colors=off', '--error-on-warnings', '.'],
      ['npm', 'run', '-s', 'types'],
      ['npm', 'run', '-s', 'layers'],
      ['knip'],
      ['npm', 'run', '-s', 'schema', '--', '--check'],
    ]),
  ],
  ['test media', npmStep('fixtures')],
  ['unit tests', unitTests(false)],
  ['production build', ensureBuild],
  ['end-to-end tests', endToEndTests(false)],
]);
