import { fileURLToPath } from 'node:url';

/** A fixture made by tests/fixtures/make-fixtures.mjs. */
export const mediaPath = (name: string): string => fileURLToPath(new URL(`../fixtures/media/${name}`, import.meta.url));
