import { statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { areaOf } from './areas';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** Small test files first: the first failure ends it, and large ones take longest. */
class SmallestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sizeOf = ({ moduleId }: TestSpecification): number => statSync(moduleId).size;
    return [...files].sort((a, b) => sizeOf(a) - sizeOf(b));
  }
}

/** The tests beside one area, for `bench/mutation.ts`, which names it. */
export default defineConfig({
  root,
  resolve: { alias: { '@': `${root}src` } },
  test: {
    include: [...areaOf(process.env.OIL_CAN_AREA).tests],
    pool: 'threads',
    isolate: false,
    setupFiles: [fileURLToPath(new URL('first-failure.ts', import.meta.url))],
    testTimeout: 60_000,
    sequence: { sequencer: SmallestFirst },
  },
});
