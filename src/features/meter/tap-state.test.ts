import { describe, expect, it } from 'vitest';
import { noTaps, reduceTaps, type TapAction } from './tap-state';

const stateOf = (...actions: readonly TapAction[]) => actions.reduce(reduceTaps, noTaps(20_000));
const down = (atMs: number): TapAction => ({ type: 'down', atMs });
const up = (atMs: number): TapAction => ({ type: 'up', atMs });

describe('reduceTaps', () => {
  it('keeps each press from when it went down to when it came up', () => {
    const { presses, downAtMs } = stateOf(down(0), up(90), down(4000), up(5200));
    expect(presses).toEqual([
      { fromMs: 0, toMs: 90 },
      { fromMs: 4000, toMs: 5200 },
    ]);
    expect(downAtMs).toBeNull();
  });

  it('takes none while it counts in, and none after the end', () => {
    expect(stateOf(down(-200), up(30)).presses).toEqual([]);
    expect(stateOf(down(20_000), up(20_050)).presses).toEqual([]);
  });

  it('hears a second key not while the first is down, and no key that was never down', () => {
    const held = stateOf(down(100), down(300));
    expect(held.downAtMs).toBe(100);
    expect(reduceTaps(held, up(400)).presses).toEqual([{ fromMs: 100, toMs: 400 }]);
    expect(stateOf(up(50))).toEqual(noTaps(20_000));
  });

  it('ends what is still held with the twenty seconds', () => {
    expect(stateOf(down(19_000), up(20_080)).presses).toEqual([{ fromMs: 19_000, toMs: 20_000 }]);
  });
});
