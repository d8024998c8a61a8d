import { describe, expect, it } from 'vitest';
import { demoCardAt } from '../../../tests/stand-ins/demo-cards';
import { amountsTried, type JobCard } from '.';

type Trial = JobCard['trials'][number];

const trialOf = (id: string, level: number, status: Trial['status'], fixId = 'raise-preview-memory'): Trial => ({
  id,
  fix: { id: fixId, level },
  direction: 'make',
  status,
  beforeReadingId: 'r',
  afterReadingId: 'r',
  startedAtMs: 1,
  madeAtMs: 2,
  endedAtMs: 3,
});
const triedOn = (...trials: readonly Trial[]) => amountsTried({ ...demoCardAt(0), trials }, 'raise-preview-memory');

describe('amountsTried', () => {
  it('tells the amount that is kept, and the least above it that was undone', () => {
    expect(triedOn()).toEqual({ kept: null, undone: null });
    expect(triedOn(trialOf('a', 4096, 'kept'), trialOf('b', 8192, 'undone'), trialOf('c', 6144, 'undone'))).toEqual({
      kept: 4096,
      undone: 6144,
    });
  });

  it('leaves out what is below it, what is open, and other fixes', () => {
    expect(
      triedOn(
        trialOf('a', 2048, 'undone'),
        trialOf('b', 4096, 'kept'),
        trialOf('c', 8192, 'open'),
        trialOf('d', 8192, 'undone', 'give-editor-memory'),
      ),
    ).toEqual({ kept: 4096, undone: null });
  });
});
