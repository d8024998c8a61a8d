import { describe, expect, it } from 'vitest';
import { reduceTestPlay, type TestPlayState } from './use-test-play';

const scrubbing = { phase: 'scrubbing', jumpIndex: 3, jumpCount: 20 } as const;

describe('reduceTestPlay', () => {
  it('follows progress, and does not hear what comes after the end', () => {
    const running = reduceTestPlay({ status: 'idle' }, { type: 'progress', progress: scrubbing });
    expect(running).toEqual({ status: 'running', progress: scrubbing });
    const failed: TestPlayState = { status: 'failed', failure: { code: 'test-stopped' } };
    expect(reduceTestPlay(running, { type: 'failed', failure: { code: 'test-stopped' } })).toEqual(failed);
    expect(reduceTestPlay(failed, { type: 'progress', progress: scrubbing })).toBe(failed);
  });
  it('starts anew after an end', () => {
    const failed: TestPlayState = { status: 'failed', failure: { code: 'test-stopped' } };
    expect(reduceTestPlay(failed, { type: 'progress', progress: { phase: 'loading' } }).status).toBe('running');
  });
});
