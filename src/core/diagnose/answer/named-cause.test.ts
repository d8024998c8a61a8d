import { describe, expect, it } from 'vitest';
import { applyAll } from '../../../../tests/stand-ins/commands';
import { demoCardAt } from '../../../../tests/stand-ins/demo-cards';
import { createJobCard, createReading } from '../../card';
import { diagnose, listNeeds, nameCause, summariseCard } from '..';

const blank = createJobCard({ id: 'new', title: 'New', nowMs: 0 });
const clip = demoCardAt(0).clips[0];
if (!clip) throw new Error('a demo card without clips');
const withClip = { ...blank, clips: [{ ...clip, decodable: null }] };

describe('nameCause', () => {
  it('names nothing from assumptions, and says what it would need', () => {
    expect(nameCause(blank, null, 'layers-heavy')).toEqual({
      kind: 'unknown',
      needs: ['footage', 'layers', 'effects', 'reading'],
    });
    for (const guess of ['layers-heavy', 'effects-heavy', 'programs-busy', 'memory-short', 'drive-slow', null] as const)
      expect(nameCause(withClip, null, guess)).toEqual({ kind: 'unknown', needs: ['layers', 'effects', 'reading'] });
  });

  it('names what was stated as soon as it is, one field without the others', () => {
    const layers = applyAll(withClip, { type: 'setTimeline', input: { patch: { videoLayerCount: 6, titleCount: 2 } } });
    expect(listNeeds(layers)).toEqual(['effects', 'reading']);
    expect(nameCause(layers, null, 'layers-heavy')).toEqual({ kind: 'estimated', id: 'layers-heavy' });
    expect(nameCause(layers, null, 'effects-heavy').kind).toBe('unknown');
    const confirmed = applyAll(withClip, {
      type: 'confirmTimeline',
      input: { fields: ['videoLayerCount', 'titleCount', 'effects'] },
    });
    expect(listNeeds(confirmed)).toEqual(['reading']);
    expect(nameCause(confirmed, null, null)).toEqual({ kind: 'estimated', id: null });
  });

  it('takes the diagnosis where anything was read or answered, and not before', () => {
    const card = demoCardAt(0);
    const diagnosis = diagnose(card, { sampleCount: 200 });
    const binding = summariseCard(card).findings.bindingCause;
    expect(nameCause(card, diagnosis, binding)).toEqual({
      kind: 'diagnosed',
      id: diagnosis.causes[0]?.id,
      probability: diagnosis.causes[0]?.probability,
    });
    expect(nameCause({ ...card, readings: [], trials: [], answers: [] }, diagnosis, binding).kind).not.toBe(
      'diagnosed',
    );
  });

  it('says that a preview is usable where the newest reading is', () => {
    const card = demoCardAt(0);
    const fine = { ...createReading({ id: 'fine', takenAtMs: 1, shownFps: 60, isGoodEnough: 'yes' }), fixes: [] };
    expect(nameCause({ ...card, readings: [fine], trials: [] }, null, 'layers-heavy')).toEqual({ kind: 'usable' });
  });
});
