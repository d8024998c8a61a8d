import { fileURLToPath } from 'node:url';
import { configDefaults, defineConfig } from 'vitest/config';

/** What is long, by its name: `npm run verify:deep` runs it (`OIL_CAN_TESTS=deep`), `npm run verify` does not. */
const deep = ['src/**/*.deep.test.ts', 'bin/**/*.deep.test.ts'];
const isDeep = process.env.OIL_CAN_TESTS === 'deep';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: isDeep ? deep : ['src/**/*.test.ts', 'bin/**/*.test.ts'],
    exclude: isDeep ? configDefaults.exclude : [...configDefaults.exclude, ...deep],
    // Tests share nothing but pure code, so a worker need not load it anew for each file.
    isolate: false,
    pool: 'threads',
    maxWorkers: 2,
    // No test ends by a busy machine's clock; what hangs is ended all the same.
    testTimeout: 600_000,
    hookTimeout: 600_000,
  },
});
