import { describe, expect, it } from 'vitest';
import type { ReadingChange, WatchVerdict } from '@/core/meter';
import { fail, succeed } from '@/core/result';
import {
  describeLeftOut,
  describeSetup,
  describeSide,
  describeSpan,
  describeStep,
  describeWatchAdvice,
  describeWatchVerdict,
} from './watch';

const half = { id: 'lower-preview-quality', level: '1/2' } as const;
const figures = { shownFps: { value: 12, low: 11, high: 13 }, freezesPerMinute: 0 };
const change = (verdict: ReadingChange['verdict'], atLeastRatio = 0): ReadingChange => ({
  verdict,
  before: figures,
  after: figures,
  ratio: { value: 1, low: 0.9, high: 1.1 },
  atLeastRatio,
});
const verdict = (known: Partial<WatchVerdict> = {}): WatchVerdict => ({
  change: succeed(change('better', 0.34)),
  steps: [],
  driftRatio: null,
  ...known,
});

describe('what is said of a setting that was switched to and fro', () => {
  it('is whether it changed and by how much at least, with what moved by itself', () => {
    expect(describeWatchVerdict(verdict())).toBe('Better, by at least 34 %');
    expect(describeWatchAdvice(verdict({ driftRatio: -0.2 }))).toContain('the rate fell by 20 % meanwhile');
    expect(describeWatchAdvice(verdict({ driftRatio: 0.1 }))).toContain('rose by 10 %');
    const unclear = verdict({ change: succeed(change('no-clear-change')) });
    expect([describeWatchVerdict(unclear), describeWatchAdvice(unclear)]).toEqual([
      'No clear change',
      expect.stringContaining('a few more times'),
    ]);
  });

  it('says what is missing where it says nothing of the change', () => {
    const one = verdict({ change: fail({ code: 'one-set-up' }) });
    expect(describeWatchVerdict(one)).toMatch(/^Only one of the two/);
    expect(describeWatchAdvice(one)).toMatch(/eight seconds/);
    expect(describeWatchVerdict(verdict({ change: fail({ code: 'too-few-pictures', pictureCount: 3 }) }))).toContain(
      'only 3 intervals',
    );
  });

  it('names both sides, where a stretch lies, and what was left out', () => {
    expect(describeSetup('as-before', half)).toBe('As it was');
    expect(describeSetup('changed', half)).toBe('With “Lower the preview quality to 1/2”');
    expect(describeSetup('changed', null)).toBe('With the change');
    expect(describeSide(12.04, 'as-before', half, 2)).toBe('As it was: 12 a second (2 stretches)');
    expect(describeSpan({ fromMs: 5200, toMs: 13_900 }, 1000)).toBe('4.2 to 12.9 s');
    expect(describeLeftOut(0)).not.toContain('too short');
    expect(describeLeftOut(1)).toContain('1 stretch too short');
    expect(describeStep(null)).toBe('–');
    expect(describeStep(succeed(change('worse', 0.2)))).toBe('Worse, by at least 20 %');
    expect(describeStep(fail({ code: 'too-few-pictures', pictureCount: 3 }))).toContain('Not comparable');
  });
});
