import { describe, expect, it } from 'vitest';
import { demoCardAt } from '../../../tests/stand-ins/demo-cards';
import { createProgram, deriveBaseState } from '../card';
import { fixCatalogue } from './catalogue';
import { editorSpareMib, memorySplitUnder } from './memory-split';

const card = demoCardAt(0);
const { setup } = deriveBaseState({
  ...card,
  machine: { ...card.machine, memoryMib: { value: 8192, source: 'typed' } },
  programs: [createProgram('p', { memoryMib: 1000 })],
});

describe('memorySplitUnder', () => {
  it('is all of the machine’s memory, by what holds it, and nothing for a fix that sets no amount', () => {
    const split = memorySplitUnder(setup, { id: 'give-editor-memory', level: 4096 });
    expect(split).toMatchObject({ editor: 4096, others: 1000 });
    expect(Object.values(split ?? {}).reduce((sum, mib) => sum + mib, 0)).toBe(8192);
    expect(memorySplitUnder(setup, { id: 'raise-preview-memory', level: 2048 })?.editor).toBe(2048 + editorSpareMib);
    expect(memorySplitUnder(setup, { id: 'lower-preview-quality', level: '1/2' })).toBeNull();
    expect(memorySplitUnder(setup, { id: 'give-editor-memory', level: 100_000 })?.left).toBe(0);
  });

  it('leaves something at each level that is offered, whether an amount was set or not, and however much runs', () => {
    const [give, raise] = ['give-editor-memory', 'raise-preview-memory'].map((id) =>
      fixCatalogue.find((fix) => fix.id === id),
    );
    for (const memoryMib of [4096, 8192, 65_536])
      for (const given of [null, 1024, 6000])
        for (const held of [0, 1500]) {
          const machine = { ...setup.machine, memoryMib };
          const programs = setup.programs.map((program) => ({ ...program, memoryMib: held }));
          const editor = { ...setup.editor, memoryGivenMib: given, playsBy: 'computing-first' as const };
          const state = { ...deriveBaseState(card), setup: { ...setup, machine, programs, editor } };
          expect(memoryMib < 8192 || (give?.levelsFor(state).length ?? 0) > 0, `${memoryMib} ${given}`).toBe(true);
          for (const fix of [give, raise])
            for (const level of fix?.levelsFor(state) ?? [])
              expect(
                memorySplitUnder(state.setup, { id: fix?.id ?? '', level })?.left,
                `${fix?.id} ${level}`,
              ).toBeGreaterThan(0);
        }
  });
});
