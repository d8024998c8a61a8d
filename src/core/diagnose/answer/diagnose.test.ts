import { beforeAll, describe, expect, it } from 'vitest';
import { demoCardNames, loadDemoCards } from '@/demo/load-demo-cards';
import { applyAll } from '../../../../tests/stand-ins/commands';
import { priorBelief } from '../../belief';
import { createJobCard, createReading, fixesInForce, type JobCard } from '../../card';
import type { FixLevel } from '../../fixes';
import {
  beliefOfFrame,
  choicesAsIs,
  computeFindings,
  computeWhatIf,
  countProxyClips,
  findHeaviest,
  firstByEstimate,
  forecastChoices,
  listClipRows,
  rankCardFixes,
  summariseCard,
} from '..';

const cards = new Map<string, JobCard>();
beforeAll(async () => {
  const loaded = await loadDemoCards();
  demoCardNames.forEach((name, i) => {
    const card = loaded[i];
    if (card) cards.set(name, card);
  });
});
const cardOf = (name: (typeof demoCardNames)[number]): JobCard => {
  const card = cards.get(name);
  if (!card) throw new Error(`no demo card ${name}`);
  return card;
};
const changeOf = (name: (typeof demoCardNames)[number], id: string, level: string | number | null) => {
  const { before, after } = computeWhatIf(cardOf(name), priorBelief(cardOf(name)), [{ id, level }]);
  return after.shownFps.mid / before.shownFps.mid;
};

describe('the demo cards', () => {
  it('each have another cause', () => {
    const causes = demoCardNames.map((name) => computeFindings(cardOf(name)).bindingCause);
    expect(causes).toEqual(['decode-heavy', 'effects-heavy', 'programs-busy']);
  });

  it('decode-bound: quality changes the rate by under 5 %, proxies at least double it', () => {
    expect(Math.abs(changeOf('decode-bound', 'lower-preview-quality', '1/4') - 1)).toBeLessThan(0.05);
    expect(changeOf('decode-bound', 'make-proxies', 540)).toBeGreaterThanOrEqual(2);
  });

  it('effects-bound: the other way round', () => {
    expect(changeOf('effects-bound', 'lower-preview-quality', '1/4')).toBeGreaterThanOrEqual(2);
    expect(Math.abs(changeOf('effects-bound', 'make-proxies', 540) - 1)).toBeLessThan(0.05);
  });

  it('programs-busy: closing programs is worth trying first', () => {
    expect(rankCardFixes(cardOf('programs-busy'), priorBelief(cardOf('programs-busy')))[0]?.id).toBe('close-programs');
    // Programs ask for 3.45 of four cores, and leave more of them in their pauses than in their bursts.
    expect(changeOf('programs-busy', 'close-programs', 'all')).toBeGreaterThan(1.5);
  });

  it('hold a first reading that the estimate’s range explains', () => {
    for (const name of demoCardNames) {
      const card = cardOf(name);
      const { low, high } = computeFindings(card).shownFps;
      const shownFps = card.readings[0]?.shownFps ?? Number.NaN;
      expect(shownFps).toBeGreaterThanOrEqual(low);
      expect(shownFps).toBeLessThanOrEqual(high);
    }
  });
});

describe('summariseCard', () => {
  const next = (card: JobCard) => summariseCard(card).next;

  it('leads from the first things through a trial to the export', () => {
    expect(next(createJobCard({ id: 'x', title: 'x', nowMs: 0 }))).toEqual({ kind: 'do-step', stepId: 'first-things' });
    const read = applyAll(cardOf('decode-bound'), { type: 'finishStep', input: { stepId: 'findings' } });
    expect(next(read)).toEqual({ kind: 'choose-fix' });
    const fix = { id: 'make-proxies', level: 540 };
    const trying = applyAll(read, { type: 'beginTrial', input: { id: 't', fix, nowMs: 1 } });
    expect(next(trying)).toEqual({ kind: 'finish-trial', fix, stage: 'make' });
    const made = applyAll(trying, { type: 'markTrialMade', input: { id: 't', madeAtMs: 2 } });
    expect(next(made)).toEqual({ kind: 'finish-trial', fix, stage: 'measure' });
    const reading = createReading({ id: 'r', takenAtMs: 2, shownFps: 25, scrubFeel: 'fine' });
    const measured = applyAll(trying, { type: 'addReading', input: { reading } });
    expect(next(measured)).toEqual({ kind: 'finish-trial', fix, stage: 'decide' });
    const kept = applyAll(measured, { type: 'endTrial', input: { id: 't', outcome: 'kept', nowMs: 3 } });
    expect(summariseCard(kept)).toMatchObject({ isUsable: true, next: { kind: 'put-back' } });
    const ready = applyAll(
      kept,
      { type: 'tickPutBack', input: { trialId: 't', isDone: true } },
      { type: 'answerPointsAtCopies', input: { answer: 'no' } },
    );
    expect(next(ready)).toEqual({ kind: 'export' });
  });

  it('does not propose again what was given up, and says when nothing is left', () => {
    let card = applyAll(cardOf('programs-busy'), { type: 'finishStep', input: { stepId: 'findings' } });
    const proposed: string[] = [];
    for (let i = 0; i < 20; i++) {
      const first = firstByEstimate(card);
      if (!first) break;
      const { id, level } = first;
      expect(proposed).not.toContain(`${id}=${level}`);
      proposed.push(`${id}=${level}`);
      card = applyAll(
        card,
        { type: 'beginTrial', input: { id: `t${i}`, fix: { id, level }, nowMs: 1 } },
        { type: 'endTrial', input: { id: `t${i}`, outcome: 'abandoned', nowMs: 1 } },
      );
    }
    expect(proposed[0]).toBe('close-programs=all');
    expect(firstByEstimate(card)).toBeNull();
    expect(next(card)).toEqual({ kind: 'choose-fix' });
  });
});

describe('what-if choices', () => {
  it('start from the set-up as it is and give the same forecast', () => {
    for (const name of demoCardNames) {
      const card = cardOf(name);
      const { stages, bindingLane, shownFps, scrubMs } = computeFindings(card);
      const unread = { ...card, readings: [] };
      const prior = priorBelief(unread);
      expect(forecastChoices(prior, fixesInForce(card), {}, beliefOfFrame(unread, prior))).toEqual({
        stages,
        bindingLane,
        shownFps,
        scrubMs,
      });
    }
  });

  const keptTrial = (id: string, level: FixLevel) => ({
    id: `t-${id}`,
    fix: { id, level },
    direction: 'make' as const,
    status: 'kept' as const,
    beforeReadingId: 'reading-1',
    afterReadingId: null,
    startedAtMs: 0,
    madeAtMs: 0,
    endedAtMs: 1,
  });

  it('leave out no kept fix, also of those that have no control', () => {
    for (const name of demoCardNames) {
      const trials = [
        keptTrial('use-more-threads', null),
        keptTrial('solo-track', null),
        keptTrial('move-media', null),
      ];
      const card = { ...cardOf(name), trials };
      const { shownFps, scrubMs } = computeFindings(card);
      expect(forecastChoices(priorBelief(card), fixesInForce(card), {})).toMatchObject({ shownFps, scrubMs });
    }
  });

  it('stand where kept fixes put them, and can be moved back', () => {
    const base = cardOf('decode-bound');
    const card = { ...base, trials: [keptTrial('make-proxies', 540)] };
    const choices = choicesAsIs(card);
    expect(choices.proxyHeightPx).toBe(540);
    expect(countProxyClips(card, choices, 540)).toBe(6);
    expect(forecastChoices(priorBelief(card), fixesInForce(card), { proxyHeightPx: null })).toEqual(
      forecastChoices(priorBelief(base), [], {}),
    );
  });
});

describe('listClipRows', () => {
  it('finds the six heavy clips of the decode-bound card over the budget, and no other', () => {
    const card = cardOf('decode-bound');
    const rows = listClipRows(card);
    const over = rows.filter((row) => row.cost?.isOverBudget).map((row) => row.clipId);
    expect(over).toEqual(card.clips.slice(0, 6).map((clip) => clip.id));
    const heaviest = findHeaviest(rows, 3).map((row) => row.cost?.ownMs ?? 0);
    expect(heaviest).toHaveLength(3);
    expect(heaviest).toEqual([...heaviest].sort((a, b) => b - a));
    expect(heaviest[0]).toBe(Math.max(...rows.map((row) => row.cost?.ownMs ?? 0)));
    expect(listClipRows(createJobCard({ id: 'x', title: 'x', nowMs: 0 }))).toEqual([]);
  });
});
