import { describe, expect, it } from 'vitest';
import { type CommandFailure, firstThingIds, lagKinds, lagMoments, scrubFeels, stepIds } from '@/core/card';
import { computeFindings } from '@/core/diagnose';
import { fixCatalogue } from '@/core/fixes';
import { type FootageFailure, foreignContainers } from '@/core/footage';
import { clipTraits } from '@/core/footage/traits';
import { effectKinds, laneIds, stageIds } from '@/core/load';
import { demoCardAt, demoCards } from '../../tests/stand-ins/demo-cards';
import { expectGoodWords } from '../../tests/stand-ins/good-words';
import { describeCommandFailure, describeConflict, stepTexts } from './card';
import { describeBrowserAnswer, describeDepth, nameCodec } from './clip-facts';
import { traitLabel } from './clip-traits';
import { describeBudget, describeCauses, describeFit } from './findings';
import { fixTitle } from './fix-titles';
import { describeEffort, describePutBackTime, fixTexts } from './fixes';
import { describeFootageFailure } from './footage';
import { firstThingTexts, lagKindTexts, lagMomentTexts, scrubFeelTexts } from './interview';
import { effectLabels, laneLabels, stageTexts } from './load';
import { describeStorageFailure } from './storage';

describe('failures', () => {
  it('are each told in plain sentences', () => {
    const footage: readonly FootageFailure[] = [
      { code: 'file-empty' },
      { code: 'file-not-media' },
      { code: 'file-cut-off', sizeBytes: 10_000, expectedBytes: 20_000 },
      { code: 'file-cut-off', sizeBytes: 10_000, expectedBytes: null },
      ...foreignContainers.map((container) => ({ code: 'container-not-read', container }) as const),
      { code: 'no-video-track' },
      { code: 'codec-unknown' },
      { code: 'file-changed' },
      { code: 'file-gone' },
      { code: 'no-frames' },
      { code: 'file-unreadable', detail: 'gone' },
      { code: 'read-budget-exceeded', budgetBytes: 31_457_280 },
      { code: 'read-timed-out', afterMs: 10_000 },
      { code: 'read-cancelled' },
    ];
    const commands: readonly CommandFailure[] = [
      { code: 'item-missing', item: 'clip', id: 'x' },
      { code: 'item-exists', item: 'reading', id: 'x' },
      { code: 'title-empty' },
      { code: 'value-out-of-range', path: 'timeline.heightPx', received: '4' },
      { code: 'trial-already-open', fix: { id: 'close-programs', level: 'all' } },
      { code: 'trial-not-open' },
      { code: 'trial-in-working-set' },
      { code: 'working-set-in-use' },
      { code: 'too-many-working-sets', most: 20 },
      { code: 'trial-needs-reading' },
      { code: 'reading-empty' },
      { code: 'reading-in-use' },
    ];
    for (const failure of footage) expectGoodWords(describeFootageFailure(failure));
    for (const failure of commands) {
      expectGoodWords(describeCommandFailure(failure));
      expect(describeConflict(failure)).toBe(describeCommandFailure(failure));
    }
    expectGoodWords(describeConflict({ code: 'card-newer-version', version: 2, newestVersion: 1 }));
    for (const code of ['storage-full', 'storage-refused'] as const)
      expectGoodWords(describeStorageFailure({ code, detail: '' }));
  });

  it('state the value received and what was expected', () => {
    expect(describeFootageFailure({ code: 'file-cut-off', sizeBytes: 198_000, expectedBytes: 395_000 })).toContain(
      '198 kB where its own header says 395 kB',
    );
    expect(describeCommandFailure({ code: 'value-out-of-range', path: 'a.b', received: '4' })).toContain(
      '“a.b” would be 4',
    );
  });
});

describe('describeBrowserAnswer', () => {
  it('tells each answer apart, and says nothing of what the browser did not tell', () => {
    const answers = (['accepted', 'refused', 'none-here', 'codec-unknown'] as const).map((hardware) =>
      describeBrowserAnswer({ hardware, isSmooth: 'unknown', isPowerEfficient: 'unknown' }),
    );
    expect(new Set(answers).size).toBe(4);
    expect(describeBrowserAnswer({ hardware: 'accepted', isSmooth: 'yes', isPowerEfficient: 'yes' })).toBe(
      'would decode it in hardware, expects it to be smooth and to save power',
    );
  });
});

describe('catalogues', () => {
  it('have words for every id, none of them twice', () => {
    const catalogues: readonly (readonly string[])[] = [
      stepIds.map((id) => stepTexts[id].label),
      firstThingIds.map((id) => firstThingTexts[id].question),
      lagMoments.map((id) => lagMomentTexts[id]),
      lagKinds.map((id) => lagKindTexts[id]),
      scrubFeels.map((id) => scrubFeelTexts[id].label),
      laneIds.map((id) => laneLabels[id]),
      stageIds.map((id) => stageTexts[id].label),
      effectKinds.map((kind) => effectLabels[kind]),
      clipTraits.map(traitLabel),
      fixCatalogue.map((fix) => fixTitle(fix.id, fix.defaultLevel)),
    ];
    for (const labels of catalogues) {
      expect(labels.every((label) => label.length > 2)).toBe(true);
      expect(new Set(labels).size).toBe(labels.length);
    }
  });

  it('name the level in a fix’s title, and admit a fix that they do not know', () => {
    expect(fixTitle('lower-preview-quality', '1/8')).toBe('Lower the preview quality to 1/8');
    expect(fixTitle('make-proxies', 720)).toContain('720 pixels high');
    expect(fixTitle('polish', 3)).toContain('newer Oil Can');
  });

  it('say where each fix is kept, how to see it acted, and why it is put back', () => {
    for (const fix of fixCatalogue) {
      const text = fixTexts[fix.id];
      for (const step of text.steps(fix.defaultLevel)) expectGoodWords(step);
      expectGoodWords(text.where);
      expectGoodWords(text.check);
      if (text.putBack) expectGoodWords(text.putBack.why);
      if (fix.putBack) expect(describePutBackTime(fix.putBack)).toMatch(/export|day/);
    }
    expect(describeEffort(4, ['save', 'restart'])).toBe('4 minutes and a restart of the editor');
    expect(describeEffort(39, ['save'])).toBe('about 40 minutes');
  });

  it('write codecs and depths as the trade does', () => {
    expect([nameCodec('h264'), nameCodec('dnxhd'), nameCodec('oilc')]).toEqual(['H.264', 'VC-3', 'oilc']);
    expect([describeDepth(10, '4:2:2'), describeDepth(8, 'unknown')]).toEqual(['10-bit 4:2:2', '8-bit']);
  });
});

describe('describeBudget', () => {
  it('names the stage, its milliseconds and the budget, and what will not help', () => {
    const decode = describeBudget(computeFindings(demoCardAt(0)));
    expect(decode).toMatch(/^Decoding the footage takes about \d+ ms a frame, and only 40 are there\./);
    expect(decode).toContain('Lowering the preview quality will not help');
  });
  it('says for heavy effects that a smaller preview helps', () => {
    expect(describeBudget(computeFindings(demoCardAt(1)))).toMatch(
      /^Drawing takes about \d+ ms .*A smaller preview helps here/,
    );
  });
  it('sends a person to the other programs before any picture is given up', () => {
    expect(describeBudget(computeFindings(demoCardAt(2)))).toContain('Close those before you give up any picture');
  });
  it('admits that something else is in play where nothing binds', () => {
    const light = { ...demoCardAt(2), programs: [] };
    expect(describeBudget(computeFindings(light))).toContain('something is in play that is not on this card');
  });
  it('says that lanes share cores only where all of them together take more than there is', () => {
    const findings = computeFindings(demoCardAt(0));
    const takingMs = (wholeMs: number): string => {
      const stages = [
        { ...findings.stages[0], id: 'decode', lane: 'decoder', ms: 0.5 * wholeMs },
        { ...findings.stages[0], id: 'effects', lane: 'drawing', ms: 0.5 * wholeMs },
      ] as const;
      return describeBudget({ ...findings, stages, bindingLane: 'drawing', bindingCause: 'memory-short' });
    };
    expect(takingMs(1.2 * findings.budgetMs)).toContain('they share the same cores');
    expect(takingMs(0.2 * findings.budgetMs)).toContain('something is in play that is not on this card');
  });
});

describe('describeCauses', () => {
  const heavy = { id: 'decode-heavy', share: 0.9, probability: 0.95 } as const;
  const busy = { id: 'programs-busy', share: 0.1, probability: 0.6 } as const;
  const believed = { causes: [heavy], isUnexplained: false, usableProbability: 0.02 };

  it('tells one cause from several, and from none that is clear', () => {
    expect(describeCauses(believed, true)).toBe('One cause stands out.');
    expect(describeCauses({ ...believed, causes: [heavy, busy] }, true)).toBe('More than one thing is wrong at once.');
    expect(describeCauses({ ...believed, causes: [busy] }, true)).toContain('No cause is clear yet');
    expect(describeCauses({ ...believed, isUnexplained: true }, true)).toContain('None of the causes');
  });

  it('does not tell somebody whose preview lags that it is usable', () => {
    const fine = { ...believed, usableProbability: 0.95 };
    expect(describeCauses(fine, false)).toBe('By everything on this card the preview should be usable.');
    expect(describeCauses(fine, true)).toContain('by your reading it is not');
    expect(describeCauses({ ...fine, causes: [] }, true)).toContain('by your reading it is not');
  });
});

describe('describeBudget of a preview that is usable', () => {
  it('never asks for anything, whatever the lanes say', () => {
    for (const card of demoCards) {
      const findings = computeFindings(card);
      expect(describeBudget({ ...findings, isUsable: true })).toContain('usable, with nothing to spare');
      const spare = { ...findings, stages: findings.stages.map((stage) => ({ ...stage, ms: stage.ms / 20 })) };
      expect(describeBudget({ ...spare, isUsable: true })).toContain('it is usable as it is');
    }
  });
});

describe('describeFit', () => {
  it('agrees within the range, and says which way a reading lies outside it', () => {
    const findings = computeFindings(demoCardAt(0));
    expect(describeFit(10, findings)).toMatchObject({ fits: true });
    const { low, high } = findings.shownFps;
    expect(describeFit((low + high) / 2, findings).text).toContain(' They agree.');
    for (const near of [low * 0.9, high * 1.1])
      expect(describeFit(near, findings)).toMatchObject({ fits: true, text: expect.stringContaining('As far as') });
    expect(describeFit(1, findings)).toMatchObject({
      fits: false,
      text: expect.stringContaining('slower than this card explains'),
    });
    expect(describeFit(24, findings)).toMatchObject({
      fits: false,
      text: expect.stringContaining('better than expected'),
    });
  });
});
