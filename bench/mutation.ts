// Do the tests bite? Each piece of an area is changed in small ways, and the tests beside it must notice: at least three in four.
// `npm run -s bench:mutation -- AREA [PATTERN]`, an area of bench/mutation/areas.ts; the last line is one JSON object. What went
// unnoticed stands in bench/out/mutation-AREA.json, with its place.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Stryker } from '@stryker-mutator/core';
import { areaOf } from './mutation/areas';

const leastNoticed = 0.75;
const [area = '', pattern] = process.argv.slice(2);
const { mutate } = areaOf(area);
process.env.OIL_CAN_AREA = area;
// What so few runs do not notice is not called noticed: the figure is a floor.
process.env.OIL_CAN_PROPERTY_RUNS = '12';
const reportPath = fileURLToPath(new URL(`out/mutation-${area}.json`, import.meta.url));

await new Stryker({
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'bench/mutation/vitest.config.ts', related: false },
  mutate: pattern ? [pattern] : [...mutate],
  coverageAnalysis: 'perTest',
  concurrency: 2,
  reporters: ['json'],
  jsonReporter: { fileName: reportPath },
  // Texts and patterns of texts are what people read: their tests stand elsewhere.
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  ignoreStatic: true,
  tempDirName: '.verify/mutation',
  disableTypeChecks: false,
  checkers: [],
  timeoutMS: 20_000,
}).runMutationTest();

interface Report {
  readonly files: Readonly<
    Record<
      string,
      {
        readonly mutants: readonly {
          readonly status: string;
          readonly location: { readonly start: { readonly line: number } };
          readonly mutatorName: string;
          readonly replacement?: string;
        }[];
      }
    >
  >;
}
const { files }: Report = JSON.parse(readFileSync(reportPath, 'utf8'));
const counted = Object.entries(files).flatMap(([file, { mutants }]) => mutants.map((mutant) => ({ file, ...mutant })));
const noticed = counted.filter(({ status }) => status === 'Killed' || status === 'Timeout');
const unnoticed = counted.filter(({ status }) => status === 'Survived' || status === 'NoCoverage');
for (const { file, location, mutatorName, replacement = '' } of unnoticed)
  console.log(`${file}:${location.start.line} ${mutatorName} ${replacement.replaceAll(/\s+/g, ' ').slice(0, 80)}`);
const ratio = noticed.length / Math.max(1, noticed.length + unnoticed.length);
console.log(
  JSON.stringify({
    bench: 'mutation',
    area,
    changeCount: noticed.length + unnoticed.length,
    noticedCount: noticed.length,
    ratio: Math.round(1000 * ratio) / 1000,
    least: leastNoticed,
    isMet: ratio >= leastNoticed,
  }),
);
process.exitCode = ratio >= leastNoticed ? 0 : 1;
