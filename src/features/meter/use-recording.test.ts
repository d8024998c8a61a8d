import { describe, expect, it } from 'vitest';
import { type RecordingState, reduceRecording } from './use-recording';

const failed: RecordingState = { status: 'failed', failure: { code: 'recording-stopped' } };
const half = { doneRatio: 0.5, frameCount: 90 };

describe('reduceRecording', () => {
  it('follows progress while it runs, and does not hear what comes after the end', () => {
    const begun = reduceRecording({ status: 'idle' }, { type: 'begin' });
    expect(begun).toEqual({ status: 'running', progress: { doneRatio: 0, frameCount: 0 } });
    expect(reduceRecording(begun, { type: 'progress', progress: half })).toEqual({ status: 'running', progress: half });
    expect(reduceRecording(failed, { type: 'progress', progress: half })).toBe(failed);
  });

  it('begins anew after an end, and forgets it when cleared', () => {
    expect(reduceRecording(failed, { type: 'begin' }).status).toBe('running');
    expect(reduceRecording(failed, { type: 'clear' })).toEqual({ status: 'idle' });
  });
});
