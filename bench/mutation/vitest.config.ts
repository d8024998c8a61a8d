import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { areaOf } from './areas';

const root = fileURLToPath(new URL('../..', import.meta.url));

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
  },
});
