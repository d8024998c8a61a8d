import { describe, expect, it } from 'vitest';
import { applyCommand, createJobCard, createProgram, type JobCard } from '@/core/card';
import type { AnswerSummary } from '@/core/diagnose/answer/answer-summary';
import {
  type CardChange,
  type CardEntry,
  copyCard,
  createEntry,
  hasChanges,
  isAnswerFresh,
  isStored,
  rebase,
  replay,
  settleEntry,
} from './card-entry';

const card = createJobCard({ id: 'a', title: 'Pots', nowMs: 1 });
const programs = [createProgram('p', { name: 'Loft sync', busyCores: 1, memoryMib: 100, canClose: 'yes' })];
const rename =
  (title: string): CardChange =>
  (on, atMs) =>
    applyCommand(on, { type: 'renameCard', input: { title } }, atMs);
const removeNobody: CardChange = (on, atMs) =>
  applyCommand(on, { type: 'removeProgram', input: { id: 'nobody' } }, atMs);
const changed = (entry: CardEntry, ...changes: readonly CardChange[]): CardEntry => {
  const pending = [...entry.pending, ...changes.map((change, i) => ({ change, atMs: 10 + i }))];
  return { ...entry, pending, view: replay(entry.base, pending) };
};
const summary: AnswerSummary = { edition: 1, cause: { kind: 'usable' }, move: null, lessons: [] };
const answered = (entry: CardEntry, of: JobCard | null, revision: number): CardEntry => ({
  ...entry,
  answer: { summary, card: of, revision },
});

describe('an entry', () => {
  it('is stored once it has a revision and nothing is pending', () => {
    const stored = createEntry(card, 1);
    expect([isStored(stored), hasChanges(stored)]).toEqual([true, false]);
    const never = createEntry(card, 0);
    expect([isStored(never), hasChanges(never)]).toEqual([false, false]);
    const fresh = createEntry(card, 0, true);
    expect([isStored(fresh), hasChanges(fresh)]).toEqual([false, true]);
    const back = { ...stored, mayLieDeleted: true };
    expect([isStored(back), hasChanges(back)]).toEqual([false, true]);
    expect(isStored(changed(stored, rename('Pans')))).toBe(false);
  });

  it('leaves out of a replay what no longer fits, and keeps the rest in order', () => {
    const entry = changed(createEntry(card, 1), rename('Pans'), removeNobody, rename('Lids'));
    expect(entry.view).toMatchObject({ title: 'Lids', updatedAtMs: 12 });
  });

  it('has its pending changes applied again on another base', () => {
    const entry = changed(createEntry(card, 1), rename('Pans'));
    const base = { ...card, programs };
    const next = rebase(entry, base, 4);
    expect(next).toMatchObject({ revision: 4, base, view: { title: 'Pans', programs } });
    expect(next.pending).toHaveLength(1);
  });

  it('keeps what was changed while it was written, and shows the very card that it showed', () => {
    const entry = changed(createEntry(card, 0, true), rename('Pans'), rename('Lids'));
    const first = replay(card, entry.pending.slice(0, 1));
    const settled = settleEntry(entry, { card: first, revision: 3, changeCount: 1, isMerged: false });
    expect(settled).toMatchObject({ base: first, revision: 3, isReplacing: false, mayLieDeleted: false });
    expect(settled.pending).toHaveLength(1);
    expect(settled.view).toBe(entry.view);
    const merged = settleEntry(entry, {
      card: { ...first, programs },
      revision: 3,
      changeCount: 1,
      isMerged: true,
    });
    expect(merged.view).toMatchObject({ title: 'Lids', programs });
  });

  it('becomes a card of its own whose long title still ends with where it came from', () => {
    const copy = copyCard({ ...card, title: 'x'.repeat(200) }, 'b', 'from a closed tab');
    expect([copy.id, copy.title]).toEqual(['b', `${'x'.repeat(180)} (from a closed tab)`]);
  });
});

describe('an answer', () => {
  it('is fresh where it is of the card that is shown, stored or not', () => {
    const entry = changed(createEntry(card, 0), rename('Pans'));
    expect(isAnswerFresh(entry)).toBe(false);
    expect(isAnswerFresh(answered(entry, entry.view, 0))).toBe(true);
    expect(isAnswerFresh(answered(entry, card, 0))).toBe(false);
  });

  it('that was stored is fresh for its revision alone, with nothing changed since', () => {
    const stored = createEntry(card, 3);
    expect(isAnswerFresh(answered(stored, null, 3))).toBe(true);
    expect(isAnswerFresh(answered(stored, null, 2))).toBe(false);
    expect(isAnswerFresh(answered(changed(stored, rename('Pans')), null, 3))).toBe(false);
    // A card that was never stored has no revision for it to be of.
    expect(isAnswerFresh(answered(createEntry(card, 0), null, 0))).toBe(false);
  });
});
