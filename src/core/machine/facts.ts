/** Where a fact comes from. A guess is called a guess: `assumed`. */
export const factSources = ['measured', 'read', 'imported', 'typed', 'assumed'] as const;
export type FactSource = (typeof factSources)[number];

/** A value and where it comes from. */
export interface Fact<T> {
  readonly value: T;
  readonly source: FactSource;
}

/** An answer that a person may not have. */
export const knownStates = ['yes', 'no', 'unknown'] as const;
export type KnownState = (typeof knownStates)[number];
