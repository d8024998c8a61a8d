import { describe, expect, it } from 'vitest';
import { type JobState, reduceJob } from './use-worker-job';

type State = JobState<{ readonly doneRatio: number }, string, { readonly code: string }>;
const idle: State = { status: 'idle' };
const failed: State = { status: 'failed', failure: { code: 'recording-stopped' } };
const half = { doneRatio: 0.5 };

describe('reduceJob', () => {
  it('follows progress while it runs, and does not hear what comes after the end', () => {
    const begun = reduceJob(idle, { type: 'begin' });
    expect(begun).toEqual({ status: 'running', progress: null });
    expect(reduceJob(begun, { type: 'progress', progress: half })).toEqual({ status: 'running', progress: half });
    expect(reduceJob(failed, { type: 'progress', progress: half })).toBe(failed);
    expect(reduceJob(begun, { type: 'done', value: '24 a second' })).toEqual({
      status: 'done',
      value: '24 a second',
    });
  });

  it('begins anew after an end, and forgets it when cleared', () => {
    expect(reduceJob(failed, { type: 'begin' }).status).toBe('running');
    expect(reduceJob(failed, { type: 'clear' })).toEqual({ status: 'idle' });
  });
});
