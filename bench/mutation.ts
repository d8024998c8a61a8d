// Do the tests bite? Each piece of an area is changed in small ways, and the tests beside it must notice: at least three in four.
// `npm run -s bench:mutation -- AREA [--share RATIO] [PATTERN]`, an area of bench/mutation/areas.ts; the last line is one JSON object.
// What went unnoticed stands in bench/out/mutation-AREA.json, with its place. A share takes only so many of the lines, drawn at
// random by a seed: of an area whose tests take long, a sample tells as much.
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { Stryker } from '@stryker-mutator/core';
import { createRandom } from '@/core/numbers/random';
import { areaOf } from './mutation/areas';

const leastNoticed = 0.75;
const { values, positionals } = parseArgs({ options: { share: { type: 'string' } }, allowPositionals: true });
const [area = '', pattern] = positionals;
const { mutate } = areaOf(area);
const share = Number(values.share ?? 1);

/** Lines of the area's files, each alone, so many of them that the share comes out. */
function drawLines(patterns: readonly string[]): string[] {
  const leftOut = patterns.filter((each) => each.startsWith('!')).map((each) => each.slice(1));
  const files = patterns
    .filter((each) => !each.startsWith('!'))
    .flatMap((each) => {
      const [folder = '', ending] = each.split('/**/*');
      if (ending === undefined) return [each];
      return readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => `${folder}/${name}`);
    })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !leftOut.includes(file));
  const random = createRandom(1);
  return files.sort().flatMap((file) =>
    readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((_, i) => (random.isTrue(share) ? [`${file}:${i + 1}-${i + 1}`] : [])),
  );
}

const wanted = pattern ? [pattern] : [...mutate];
process.env.OIL_CAN_AREA = area;
// What so few runs do not notice is not called noticed: the figure is a floor.
process.env.OIL_CAN_PROPERTY_RUNS = '12';
const reportPath = fileURLToPath(new URL(`out/mutation-${area}.json`, import.meta.url));

await new Stryker({
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'bench/mutation/vitest.config.ts', related: false },
  mutate: share < 1 ? drawLines(wanted) : wanted,
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
  timeoutMS: 5000,
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
    share,
    changeCount: noticed.length + unnoticed.length,
    noticedCount: noticed.length,
    ratio: Math.round(1000 * ratio) / 1000,
    least: leastNoticed,
    isMet: ratio >= leastNoticed,
  }),
);
process.exitCode = ratio >= leastNoticed ? 0 : 1;
