import { describe, expect, it } from 'vitest';
import type { CaptureProgress } from '@/core/meter';
import { type CaptureState, reduceCapture } from './use-capture';

const progress: CaptureProgress = {
  phase: 'measuring',
  leftMs: 9000,
  frameCount: 120,
  newBeforeMs: [900, 400],
  isPartKnown: true,
  isQuiet: false,
};

describe('reduceCapture', () => {
  it('goes from asking over sharing and measuring to a failure, and can begin again', () => {
    const idle: CaptureState = { status: 'idle' };
    const asking = reduceCapture(idle, { type: 'ask' });
    const running = reduceCapture(reduceCapture(asking, { type: 'clear' }), { type: 'begin' });
    expect([asking.status, running]).toEqual(['asking', { status: 'running', progress: null }]);
    expect(reduceCapture(running, { type: 'progress', progress })).toEqual({ status: 'running', progress });
    const failed = reduceCapture(running, { type: 'failed', failure: { code: 'capture-ended' } });
    expect(failed).toEqual({ status: 'failed', failure: { code: 'capture-ended' } });
    expect(reduceCapture(failed, { type: 'begin' }).status).toBe('running');
  });

  it('does not hear progress that comes after the end', () => {
    expect(reduceCapture({ status: 'idle' }, { type: 'progress', progress })).toEqual({ status: 'idle' });
  });
});
