import { fixesOfSet, isSameFix, type JobCard, keptFixes, type WorkingSet } from '../../card';
import { changesLook, type FixAtLevel, isSwitchable } from '../../fixes';
import type { Plan } from './plan';

/** The sets that come with Oil Can. */
export const workingSetKinds = ['cutting', 'looking-closely', 'colour'] as const;
export type WorkingSetKind = (typeof workingSetKinds)[number];

/** A fix that is switched on or off, on the way from one set to another. */
export interface Switch {
  readonly fix: FixAtLevel;
  readonly isOn: boolean;
}

/**
 * What each set would hold on this card: for cutting all that makes it light (what was kept, else the quickest plan);
 * for colour the same without what changes the look; for looking closely nothing.
 */
export function suggestSets(
  card: JobCard,
  plans: readonly Plan[],
): Readonly<Record<WorkingSetKind, readonly FixAtLevel[]>> {
  const kept = keptFixes(card).filter(({ id }) => isSwitchable(id));
  const planned = (plans[0]?.fixes ?? []).filter(({ id }) => isSwitchable(id));
  const cutting = kept.length > 0 ? kept : planned;
  return { cutting, colour: cutting.filter(({ id }) => !changesLook(id)), 'looking-closely': [] };
}

/** What has to be set to go from one set to another; null stands for the fixes as they were kept. */
export function listSwitches(card: JobCard, from: WorkingSet | null, to: WorkingSet | null): readonly Switch[] {
  const [before, after] = [fixesOfSet(card, from), fixesOfSet(card, to)];
  const off = before.filter((fix) => !after.some(({ id }) => id === fix.id));
  const on = after.filter((fix) => !before.some((other) => isSameFix(other, fix)));
  return [...off.map((fix) => ({ fix, isOn: false })), ...on.map((fix) => ({ fix, isOn: true }))];
}
