import type { SetupState } from '../load/types';
import { type FixId, type FixLevel, findFixFacts } from './fix-facts';
import { type FixDefinition, type FixRequirement, noSacrifice, type Sacrifice } from './types';

/** What a definition says beside the facts; what is left out is the plain case. */
interface Behaviour {
  readonly levelsFor: (state: SetupState) => boolean | readonly FixLevel[];
  readonly applyTo: (state: SetupState, level: FixLevel) => SetupState;
  readonly minutes: number | ((state: SetupState, level: FixLevel) => number);
  readonly sacrifice?: Partial<Sacrifice> | ((state: SetupState, level: FixLevel) => Partial<Sacrifice>);
  readonly work?: FixDefinition['work'];
  readonly requires?: readonly FixRequirement[];
  readonly excludes?: readonly FixId[];
}

/** Puts the behaviour of a fix to its facts. A fix that can apply without levels answers with true. */
export function define<Id extends FixId>(id: Id, behaviour: Behaviour): FixDefinition<FixId> {
  const facts = findFixFacts(id);
  if (!facts) throw new Error(`define: no facts of ${id}`);
  const { minutes, sacrifice = {} } = behaviour;
  const levelWhereApplies: readonly FixLevel[] = [facts.levelKind === 'none' ? null : facts.defaultLevel];
  return {
    ...facts,
    levelsFor: (state) => {
      const levels = behaviour.levelsFor(state);
      return typeof levels === 'boolean' ? (levels ? levelWhereApplies : []) : levels;
    },
    applyTo: behaviour.applyTo,
    effortMinutes: (state, level) => (typeof minutes === 'number' ? minutes : minutes(state, level)),
    sacrifice: (state, level) => ({
      ...noSacrifice,
      ...(typeof sacrifice === 'function' ? sacrifice(state, level) : sacrifice),
    }),
    work: behaviour.work ?? null,
    requires: behaviour.requires ?? [],
    excludes: behaviour.excludes ?? [],
  };
}

/** A level that must be a number; a bug where it is none. */
export function numberLevel(id: FixId, level: FixLevel): number {
  if (typeof level !== 'number' || !(level > 0)) throw new Error(`${id}: level ${level} is no number above zero`);
  return level;
}
