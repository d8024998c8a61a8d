/** Where tests must bite: what is changed in small ways, and the tests that must notice. */
export const areas = {
  card: {
    mutate: [
      'src/core/card/**/*.ts',
      '!src/core/card/**/*.test.ts',
      '!src/core/card/schema.ts',
      '!src/core/card/types.ts',
    ],
    tests: ['src/core/card/**/*.test.ts', 'src/core/fixes/proxy-candidates.test.ts', 'src/core/usable/**/*.test.ts'],
  },
  usable: {
    mutate: ['src/core/usable/**/*.ts', '!src/core/usable/**/*.test.ts'],
    tests: ['src/core/usable/**/*.test.ts', 'src/core/card/**/*.test.ts'],
  },
  load: {
    mutate: ['src/core/load/**/*.ts', '!src/core/load/**/*.test.ts', '!src/core/load/types.ts'],
    tests: ['src/core/load/**/*.test.ts', 'src/core/causes/**/*.test.ts'],
  },
  meter: {
    mutate: ['src/core/meter/**/*.ts', '!src/core/meter/**/*.test.ts', '!src/core/meter/types.ts'],
    tests: ['src/core/meter/**/*.test.ts'],
  },
  'next-step': {
    mutate: [
      'src/core/diagnose/moves/next-step.ts',
      'src/core/diagnose/moves/next-move.ts',
      'src/core/diagnose/plan/chosen-plan.ts',
      'src/core/diagnose/answer/named-cause.ts',
      'src/core/diagnose/moves/relief.ts',
    ],
    // The quick ones: whole diagnoses take half a minute for each change.
    tests: ['src/core/diagnose/**/{next-step,next-move,named-cause}.test.ts'],
  },
  store: {
    mutate: [
      'src/adapters/browser/card-store.ts',
      'src/adapters/browser/card-entry.ts',
      'src/adapters/browser/left-cards.ts',
    ],
    // Without the fifty runs of random faults: they take four seconds for each change.
    tests: ['src/adapters/browser/{card-store,card-store.tabs,card-entry,left-cards}.test.ts'],
  },
} as const;

export type AreaId = keyof typeof areas;

/** The area that is asked for; throws for none. */
export function areaOf(id: string | undefined): (typeof areas)[AreaId] {
  if (id === undefined || !(id in areas))
    throw new Error(`no such area: ${id}; there are ${Object.keys(areas).join(', ')}`);
  return areas[id as AreaId];
}
