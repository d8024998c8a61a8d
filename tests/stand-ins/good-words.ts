import { expect } from 'vitest';

/** Sentences end in a full stop, name no "invalid input", and shout at nobody. */
export const expectGoodWords = (text: string): void => {
  expect(text).toMatch(/[.)]$/);
  expect(text).not.toMatch(/!|invalid|unknown error|undefined|NaN|oops|please/i);
};
