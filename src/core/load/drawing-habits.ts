/**
 * Things that many editors do while drawing and that can be switched off: each multiplies one stage. Where nobody
 * knows whether an editor does it, it counts with `unknownShare` of its cost. Fine scaling is measured
 * (tests/fixtures/effect-cost.csv: bicubic 5.62 ms against bilinear 3.34 ms); the others are assumptions of 2026-11.
 */
export const drawingHabits = [
  { id: 'fine-scaling', stage: 'scale', ratio: 1.68, origin: 'measured' },
  { id: 'exact-colour', stage: 'show', ratio: 1.8, origin: 'assumed' },
  { id: 'drawings-on-picture', stage: 'show', ratio: 1.3, origin: 'assumed' },
  { id: 'second-output', stage: 'show', ratio: 2, origin: 'assumed' },
  { id: 'dense-window', stage: 'show', ratio: 1.6, origin: 'assumed' },
] as const satisfies readonly {
  readonly id: string;
  readonly stage: 'scale' | 'show';
  readonly ratio: number;
  readonly origin: 'measured' | 'assumed';
}[];

export type DrawingHabitId = (typeof drawingHabits)[number]['id'];
export const drawingHabitIds = drawingHabits.map((habit) => habit.id) as [DrawingHabitId, ...DrawingHabitId[]];

/** How much of a habit's cost counts where nobody knows of it. Assumption: one editor in five has it on. */
export const unknownHabitShare = 0.2;
