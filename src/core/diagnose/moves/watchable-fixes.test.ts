import { describe, expect, it } from 'vitest';
import { applyAll } from '../../../../tests/stand-ins/commands';
import { demoCardAt } from '../../../../tests/stand-ins/demo-cards';
import { createReading, keyOfFix } from '../../card';
import { isSwitchable } from '../../fixes';
import { listWatchableFixes } from './watchable-fixes';

const card = demoCardAt(0);
const half = { id: 'lower-preview-quality', level: '1/2' } as const;
const hardware = { id: 'turn-on-hardware-decode', level: null } as const;

describe('listWatchableFixes', () => {
  it('lists each preview setting at each level once, and what comes next before all', () => {
    const keys = listWatchableFixes(card, null).map(keyOfFix);
    expect(keys).toContain(keyOfFix(half));
    expect(new Set(keys).size).toBe(keys.length);
    expect(listWatchableFixes(card, null).every(({ id }) => isSwitchable(id))).toBe(true);
    expect(listWatchableFixes(card, half).map(keyOfFix)).toEqual([
      keyOfFix(half),
      ...keys.filter((key) => key !== keyOfFix(half)),
    ]);
    expect(listWatchableFixes(card, hardware)[0]).toEqual(hardware);
  });

  it('lists small copies only once there are some', () => {
    const proxies = { id: 'make-proxies', level: 540 } as const;
    expect(listWatchableFixes(card, proxies).map(({ id }) => id)).not.toContain(proxies.id);
    const made = applyAll(card, { type: 'setEditor', input: { patch: { proxies: 'made' } } });
    expect(listWatchableFixes(made, proxies)[0]).toEqual(proxies);
  });

  it('leaves out what the editor lacks and what is set already, and knows only the one on trial', () => {
    const without = applyAll(card, { type: 'setEditorLacks', input: { fixId: half.id, isLacking: true } });
    expect(listWatchableFixes(without, null).some(({ id }) => id === half.id)).toBe(false);
    const trying = applyAll(
      card,
      { type: 'addReading', input: { reading: createReading({ id: 'r', takenAtMs: 1, shownFps: 9 }) } },
      { type: 'beginTrial', input: { id: 't', fix: half, nowMs: 1 } },
    );
    expect(listWatchableFixes(trying, null)).toEqual([half]);
    const kept = applyAll(
      trying,
      { type: 'addReading', input: { reading: createReading({ id: 's', takenAtMs: 2, shownFps: 19 }) } },
      { type: 'endTrial', input: { id: 't', outcome: 'kept', nowMs: 3 } },
    );
    expect(listWatchableFixes(kept, half).map(keyOfFix)).not.toContain(keyOfFix(half));
    const giving = applyAll(kept, {
      type: 'beginTrial',
      input: { id: 'g', fix: half, direction: 'give-back', nowMs: 4 },
    });
    expect(listWatchableFixes(giving, null)).toEqual([]);
  });
});
