import { describe, expect, it } from 'vitest';
import { type Measuring, reduceMeasuring } from './use-measuring';

type State = Measuring<{ readonly doneRatio: number }, string, { readonly code: string }>;
const idle: State = { status: 'idle' };
const failed: State = { status: 'failed', failure: { code: 'recording-stopped' } };
const half = { doneRatio: 0.5 };

describe('reduceMeasuring', () => {
  it('follows progress while it runs, and does not hear what comes after the end', () => {
    const begun = reduceMeasuring(idle, { type: 'begin' });
    expect(begun).toEqual({ status: 'running', progress: null });
    expect(reduceMeasuring(begun, { type: 'progress', progress: half })).toEqual({ status: 'running', progress: half });
    expect(reduceMeasuring(failed, { type: 'progress', progress: half })).toBe(failed);
    expect(reduceMeasuring(begun, { type: 'done', measured: '24 a second' })).toEqual({
      status: 'done',
      measured: '24 a second',
    });
  });

  it('begins anew after an end, and forgets it when cleared', () => {
    expect(reduceMeasuring(failed, { type: 'begin' }).status).toBe('running');
    expect(reduceMeasuring(failed, { type: 'clear' })).toEqual({ status: 'idle' });
  });
});
