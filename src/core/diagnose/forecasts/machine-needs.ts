import { type Belief, forecastWith, priorOfState } from '../../belief';
import { deriveBaseState, fixesInForce, type JobCard } from '../../card';
import { applyFixes } from '../../fixes';
import type { SetupState } from '../../load';
import { withMachine } from '../../load/change-state';
import type { Range } from '../../numbers/percentile';
import { usableRateRatio, usableScrubMs } from '../../usable';

/** What a better part would bring. */
export interface UpgradeForecast {
  readonly id: UpgradeId;
  readonly shownFps: Range;
  readonly scrubMs: Range;
}
export const upgradeIds = ['drive', 'memory', 'graphics', 'processor'] as const;
export type UpgradeId = (typeof upgradeIds)[number];

/** A machine that could be bought, in the words that a person can compare with an offer. */
export interface MachineTier {
  readonly coreCount: number;
  readonly coreSpeedRatio: number;
  readonly memoryMib: number;
  readonly graphics: 'shared' | 'separate';
}

/** What this film asks of a machine, and what better parts would bring on this one. */
export interface MachineNeeds {
  readonly now: { readonly shownFps: Range; readonly scrubMs: Range };
  readonly upgrades: readonly UpgradeForecast[];
  /** The least machine on which the film likely plays, and one on which it does so with room; null where none of those here does. */
  readonly least: MachineTier | null;
  readonly comfortable: MachineTier | null;
}

/** From small to large; figures as machines of 2026 are sold. Assumptions. */
const tiers: readonly MachineTier[] = [
  { coreCount: 4, coreSpeedRatio: 0.9, memoryMib: 8192, graphics: 'shared' },
  { coreCount: 6, coreSpeedRatio: 1.25, memoryMib: 16_384, graphics: 'shared' },
  { coreCount: 8, coreSpeedRatio: 1.25, memoryMib: 16_384, graphics: 'separate' },
  { coreCount: 8, coreSpeedRatio: 1.8, memoryMib: 32_768, graphics: 'separate' },
  { coreCount: 12, coreSpeedRatio: 1.8, memoryMib: 32_768, graphics: 'separate' },
  { coreCount: 16, coreSpeedRatio: 2.2, memoryMib: 65_536, graphics: 'separate' },
];

const onTier = (state: SetupState, tier: MachineTier): SetupState =>
  withMachine(state, {
    coreCount: tier.coreCount,
    coreSpeedRatio: tier.coreSpeedRatio,
    decodeThreadCount: tier.coreCount,
    powerRatio: 1,
    memoryMib: tier.memoryMib,
    graphicsRatio: tier.graphics === 'separate' ? 16 : 5,
    decodeMegapixelPerSec: tier.graphics === 'separate' ? 900 : 450,
    graphicsMemoryMib: tier.graphics === 'separate' ? 8192 : 2048,
    graphicsYear: 2023,
    speedFrom: 'stated',
  });

/** A processor of today's quick ones, where this one is not. */
const withProcessor = (state: SetupState): SetupState => {
  const { coreCount, coreSpeedRatio, decodeThreadCount } = state.setup.machine;
  return withMachine(state, {
    coreCount: Math.max(8, coreCount),
    coreSpeedRatio: Math.max(1.8, coreSpeedRatio),
    decodeThreadCount: Math.max(8, decodeThreadCount),
    powerRatio: 1,
  });
};

const upgradeOf: Readonly<Record<UpgradeId, (state: SetupState) => SetupState>> = {
  drive: (state) => applyFixes(state, [{ id: 'upgrade-drive', level: null }]),
  memory: (state) => applyFixes(state, [{ id: 'upgrade-memory', level: null }]),
  graphics: (state) => applyFixes(state, [{ id: 'upgrade-graphics', level: null }]),
  processor: withProcessor,
};

/** What is comfortable still plays with this share of its speed: a second effect, a warm afternoon, a call meanwhile. Assumption. */
const roomRatio = 0.6;

const slowed = (state: SetupState, ratio: number): SetupState => {
  const { coreSpeedRatio, graphicsRatio } = state.setup.machine;
  return withMachine(state, { coreSpeedRatio: coreSpeedRatio * ratio, graphicsRatio: graphicsRatio * ratio });
};

/**
 * What the film as it is set up now asks of a machine, and what each better part would bring on this one, by what is
 * believed. A tier is a machine of its own, without this one's troubles, so
 * it is estimated. O(tiers × samples).
 */
export function findMachineNeeds(card: JobCard, belief: Belief): MachineNeeds {
  const inForce = fixesInForce(card);
  const base = deriveBaseState(card);
  const now = applyFixes(base, inForce);
  const ask = (change: (state: SetupState) => SetupState): { readonly shownFps: Range; readonly scrubMs: Range } =>
    forecastWith(belief, (state) => change(applyFixes(state, inForce)), ['shownFps', 'scrubMs']);
  const { targetFps } = now.setup;
  const playsOn = (tier: MachineTier, speedRatio: number): boolean => {
    const { shownFps, scrubMs } = forecastWith(
      priorOfState(slowed(onTier(now, tier), speedRatio), belief.complaint),
      (state) => state,
      ['shownFps', 'scrubMs'],
    );
    return shownFps.mid >= usableRateRatio * targetFps && scrubMs.mid <= usableScrubMs;
  };
  return {
    now: ask((state) => state),
    upgrades: upgradeIds.map((id) => {
      const { shownFps, scrubMs } = ask(upgradeOf[id]);
      return { id, shownFps, scrubMs };
    }),
    least: tiers.find((tier) => playsOn(tier, 1)) ?? null,
    comfortable: tiers.find((tier) => playsOn(tier, roomRatio)) ?? null,
  };
}
