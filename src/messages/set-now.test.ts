import { describe, expect, it } from 'vitest';
import { createJobCard, createReading, type FixUse, type JobCard } from '@/core/card';
import { applyAll } from '../../tests/stand-ins/commands';
import { listSetNow } from './set-now';

const empty = createJobCard({ id: 'card', title: 'Pots', nowMs: 0 });
const preview = (change: Partial<JobCard['preview']>): JobCard => ({
  ...empty,
  preview: { ...empty.preview, ...change },
});
/** The card with a trial of a fix under way. */
const trying = (card: JobCard, fix: FixUse): JobCard =>
  applyAll(
    card,
    { type: 'addReading', input: { reading: createReading({ id: `before ${fix.id}`, takenAtMs: 0, shownFps: 9 }) } },
    { type: 'beginTrial', input: { id: fix.id, fix, nowMs: 1 } },
  );

describe('listSetNow', () => {
  it('says the quality alone where nothing else is known', () => {
    expect(listSetNow(empty)).toEqual(['quality full']);
  });

  it('says what the card says of before any fix', () => {
    const card = preview({ qualityRatio: 0.5, heightPx: 720, hardwareDecode: 'no' });
    expect(listSetNow({ ...card, editor: { ...card.editor, proxies: 'shown' } })).toEqual([
      'quality 1/2',
      '720 high',
      'proxies shown',
      'decoded by the processor',
    ]);
  });

  it('goes by what is in force, a trial included, and calls a quality what the editor calls it', () => {
    const card = { ...empty, editorProfile: { ...empty.editorProfile, qualities: 'Full, Rough = 1/4' } };
    expect(listSetNow(trying(card, { id: 'lower-preview-quality', level: '1/4' }))).toEqual(['quality Rough']);
    expect(listSetNow(trying(empty, { id: 'bypass-effects', level: 'all' }))).toEqual(['quality full', 'effects off']);
    expect(listSetNow(trying(empty, { id: 'make-proxies', level: 540 }))).toEqual(['quality full', 'proxies shown']);
    expect(
      listSetNow(trying(preview({ hardwareDecode: 'no' }), { id: 'turn-on-hardware-decode', level: null })),
    ).toEqual(['quality full', 'decoded by the graphics']);
    expect(listSetNow(trying(empty, { id: 'smaller-preview-height', level: 480 }))).toEqual([
      'quality full',
      '480 high',
    ]);
  });
});
