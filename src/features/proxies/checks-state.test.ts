import { describe, expect, it } from 'vitest';
import { fail } from '@/core/result';
import { type CheckedFile, reduceChecks } from './checks-state';

const waiting = (name: string): CheckedFile => ({ name, state: { status: 'waiting' } });

describe('reduceChecks', () => {
  it('follows each file, and puts one that is chosen again in the place of the one before', () => {
    const chosen = reduceChecks([], { type: 'chosen', rows: [waiting('a'), waiting('b')] });
    const began = reduceChecks(chosen, { type: 'began', name: 'a' });
    const failed = reduceChecks(began, {
      type: 'ended',
      name: 'a',
      outcome: fail({ code: 'proxy-original-gone' }),
    });
    expect(failed.map(({ name, state }) => `${name} ${state.status}`)).toEqual(['a failed', 'b waiting']);
    const again = reduceChecks(failed, { type: 'chosen', rows: [waiting('a')] });
    expect(again.map(({ name, state }) => `${name} ${state.status}`)).toEqual(['b waiting', 'a waiting']);
  });
});
