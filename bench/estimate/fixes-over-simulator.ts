import { applyFixes, type FixId, findFix, fixCatalogue } from '@/core/fixes';
import { estimate } from '@/core/load';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { createRandom } from '@/core/numbers/random';
import { applyChanges, measureRig, type Rig } from '@/core/simulate';
import { drawRig } from '@/core/simulate/cases/draw-rig';
import { parametersOfRig, stateOfRig } from './state-of-rig';

const noQuirks: Rig['quirks'] = { decode: 1, draw: 1, graphics: 1, drive: 1, memory: 1, opening: 1 };

/** A rig without faults or quirks of its own, on which the preview lags or jumps are long by either account. */
function drawLaggingRig(seed: number): Rig | null {
  const rig: Rig = { ...drawRig(createRandom(seed * 77)).rig, quirks: noQuirks };
  const simulated = measureRig(rig, seed);
  const estimated = estimate(stateOfRig(rig), 'heaviest', parametersOfRig(rig));
  const lags = Math.min(simulated.shownFps, estimated.shownFps) <= 0.97 * rig.targetFps;
  return lags || simulated.scrubMs >= 150 ? rig : null;
}

/** What a fix changes by the estimate, over what it changes by the simulator, in logarithms. */
interface Misfit {
  readonly rate: number;
  readonly jump: number;
}

function misfitOf(rig: Rig, seed: number, id: FixId): Misfit | null {
  const state = stateOfRig(rig);
  const levels = findFix(id)?.levelsFor(state) ?? [];
  const level = levels[levels.length >> 1];
  if (level === undefined) return null;
  const parameters = parametersOfRig(rig);
  const use = [{ id, level }];
  const changed = { state: applyFixes(state, use), rig: applyChanges(rig, use) };
  const estimated = [state, changed.state].map((each) => estimate(each, 'heaviest', parameters));
  const simulated = [rig, changed.rig].map((each) => measureRig(each, seed));
  const gain = (figures: readonly number[]): number => Math.log((figures[1] ?? 1) / (figures[0] ?? 1));
  const mostFps = [rig.targetFps, Math.min(changed.state.setup.targetFps, changed.rig.targetFps)];
  const rateGain = (all: readonly { readonly shownFps: number }[]): number =>
    gain(all.map(({ shownFps }, i) => Math.min(shownFps, mostFps[i] ?? shownFps)));
  const jumpGain = (all: readonly { readonly scrubMs: number }[]): number => gain(all.map(({ scrubMs }) => scrubMs));
  return { rate: rateGain(estimated) - rateGain(simulated), jump: jumpGain(estimated) - jumpGain(simulated) };
}

/** The middle misfit, and those between which eight in ten lie. */
export interface MisfitRange {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

export interface FixMisfit {
  readonly id: FixId;
  readonly count: number;
  readonly rate: MisfitRange;
  readonly jump: MisfitRange;
}

function rangeOf(values: readonly number[]): MisfitRange {
  const order = [...values].sort((a, b) => a - b);
  const at = (ratio: number): number => Math.round(1000 * percentileOfSorted(order, ratio)) / 1000;
  return { low: at(0.1), mid: at(0.5), high: at(0.9) };
}

/** How far estimate and simulator agree on what each fix brings, on the first `count` rigs that lag. */
export function compareFixes(count: number): readonly FixMisfit[] {
  const rigs: { readonly rig: Rig; readonly seed: number }[] = [];
  for (let seed = 1; rigs.length < count; seed++) {
    const rig = drawLaggingRig(seed);
    if (rig) rigs.push({ rig, seed });
  }
  return fixCatalogue
    .filter(({ group }) => group !== 'upgrades' && group !== 'export')
    .flatMap(({ id }) => {
      const misfits = rigs.flatMap(({ rig, seed }) => misfitOf(rig, seed, id) ?? []);
      return misfits.length === 0
        ? []
        : [
            {
              id,
              count: misfits.length,
              rate: rangeOf(misfits.map(({ rate }) => rate)),
              jump: rangeOf(misfits.map(({ jump }) => jump)),
            },
          ];
    });
}
