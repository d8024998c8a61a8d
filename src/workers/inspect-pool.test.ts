import { describe, expect, it } from 'vitest';
import { fail } from '@/core/result';
import type { InspectClient } from './inspect.client';
import type { InspectAnswer } from './inspect.protocol';
import { createInspectPool } from './inspect-pool';

const answer: InspectAnswer = {
  requestId: 1,
  result: fail({ code: 'file-not-media' }),
  browserAnswer: null,
  bytesRead: 0,
  computeMs: 0,
};

/** Clients that answer when told to, and what each was asked. */
function standIns() {
  const asked: { readonly lane: number; readonly name: string; readonly answer: () => void }[] = [];
  const ended: string[] = [];
  let laneCount = 0;
  const createClient = (): InspectClient => {
    const lane = laneCount++;
    return {
      inspect: (file) =>
        new Promise((resolve) => {
          asked.push({ lane, name: file.name, answer: () => resolve(answer) });
        }),
      cancel: () => ended.push(`cancel ${lane}`),
      dispose: () => ended.push(`dispose ${lane}`),
    };
  };
  return { asked, ended, createClient };
}

const file = (name: string) => new File([], name);

describe('createInspectPool', () => {
  it('hands each file to the worker with fewest waiting, so that one that hangs holds up no other', async () => {
    const { asked, createClient } = standIns();
    const pool = createInspectPool(createClient, 2);
    pool.inspect(file('hangs.mp4'));
    const second = pool.inspect(file('b.mp4'));
    expect(asked.map(({ lane }) => lane)).toEqual([0, 1]);
    asked[1]?.answer();
    expect(await second).toBe(answer);
    const third = pool.inspect(file('c.mp4'));
    asked[2]?.answer();
    await third;
    expect(asked.map(({ lane, name }) => `${lane} ${name}`)).toEqual(['0 hangs.mp4', '1 b.mp4', '1 c.mp4']);
  });

  it('cancels and ends all of them', () => {
    const { ended, createClient } = standIns();
    const pool = createInspectPool(createClient, 2);
    pool.cancel();
    pool.dispose();
    expect(ended).toEqual(['cancel 0', 'cancel 1', 'dispose 0', 'dispose 1']);
  });
});
