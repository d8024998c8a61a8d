import { describe, expect, it } from 'vitest';
import { applyAll } from '../../../../tests/stand-ins/commands';
import { demoCardAt } from '../../../../tests/stand-ins/demo-cards';
import { createJobCard, createReading, type JobCard } from '../../card';
import type { CauseId } from '../../causes';
import { diagnose, listNeeds, nameCause, summariseCard } from '..';
import { hasEvidence } from './named-cause';

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

  it('names what the machine, its drives and its programs were said to be, each by itself, and nothing that nobody said', () => {
    const { machine } = withClip;
    const typed = <Value>(value: Value) => ({ value, source: 'typed' as const });
    const program = { id: 'sync', name: 'Sync', busyCores: null, memoryMib: null };
    const [decodeTest] = [{ fileRead: null }, { fileRead: { megabytePerSec: 20, longestWaitMs: 1 } }]
      .map((test) => ({ ...withClip, decodeTests: [test] }) as unknown as typeof withClip)
      .reverse();
    const said: readonly (readonly [CauseId, JobCard])[] = [
      ['power-or-heat', { ...withClip, machine: { ...machine, powerMode: typed('saving') } }],
      ['memory-short', { ...withClip, machine: { ...machine, memoryMib: typed(4096) } }],
      ['memory-short', { ...withClip, editor: { ...withClip.editor, memoryGivenMib: 2048 } }],
      ['drive-slow', { ...withClip, machine: { ...machine, footageDrive: typed('network') } }],
      ['drive-slow', { ...withClip, clips: withClip.clips.map((own) => ({ ...own, drive: 'network' })) }],
      ['drive-slow', decodeTest as JobCard],
      ['cache-misplaced', { ...withClip, machine: { ...machine, cacheDrive: typed('network') } }],
      ['system-drive-full', { ...withClip, machine: { ...machine, systemDriveFreePercent: typed(2) } }],
      ['programs-busy', { ...withClip, programs: [{ ...program, busyCores: 1 }] }],
      ['programs-busy', { ...withClip, programs: [{ ...program, memoryMib: 900 }] }],
    ] as readonly (readonly [CauseId, JobCard])[];
    for (const [id, card] of said) {
      expect(nameCause(card, null, id), id).toEqual({ kind: 'estimated', id });
      for (const [other] of said)
        if (other !== id) expect(nameCause(card, null, other).kind, `${other} where ${id} was said`).toBe('unknown');
    }
    // Something that rests on nothing in particular is named by the estimate alone.
    expect(nameCause(withClip, null, 'decode-heavy')).toEqual({ kind: 'estimated', id: 'decode-heavy' });
    expect(nameCause({ ...withClip, clips: [] }, null, 'decode-heavy').kind).toBe('unknown');
  });

  it('names effects only where there are some, and layers only where both kinds were told', () => {
    const noEffects = applyAll(withClip, { type: 'confirmTimeline', input: { fields: ['effects'] } });
    expect(nameCause(noEffects, null, 'effects-heavy').kind).toBe('unknown');
    const effect = { id: 'blur', kind: 'blur' as const, layerCount: 1, strength: 'usual' as const };
    const some = applyAll(withClip, { type: 'addEffect', input: { effect } });
    expect(nameCause(some, null, 'effects-heavy')).toEqual({ kind: 'estimated', id: 'effects-heavy' });
    const layers = applyAll(withClip, { type: 'setTimeline', input: { patch: { videoLayerCount: 6 } } });
    expect(nameCause(layers, null, 'layers-heavy').kind).toBe('unknown');
  });

  it('goes by what was read or answered only where there is footage and a cause', () => {
    const read = { ...withClip, readings: [{ ...createReading({ id: 'r', takenAtMs: 1, shownFps: 9 }), fixes: [] }] };
    const causes = [{ id: 'decode-heavy' as const, share: 1, probability: 0.9 }];
    expect(nameCause(read, { causes }, null)).toEqual({ kind: 'diagnosed', id: 'decode-heavy', probability: 0.9 });
    expect(nameCause({ ...read, clips: [] }, { causes }, null).kind).toBe('unknown');
    expect(nameCause(read, { causes: [] }, 'decode-heavy').kind).toBe('estimated');
    expect(nameCause(withClip, { causes }, 'decode-heavy').kind).toBe('estimated');
    const answer = { id: 'a', answer: 'nearly-all', takenAtMs: 1 };
    const answeredWith = (questionId: string) => ({ ...withClip, answers: [{ ...answer, questionId, fixes: [] }] });
    expect(hasEvidence(answeredWith('core-use'))).toBe(true);
    expect(hasEvidence(answeredWith('of-a-newer-oil-can'))).toBe(false);
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
