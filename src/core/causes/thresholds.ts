/** From which share of what there is on something is short of it: what a cause is there by, and what is told as its ground, alike. Assumptions. */
export const shortOf = {
  /** Memory of the machine, and memory that the editor may take. */
  memory: 0.85,
  graphicsMemory: 0.8,
} as const;

/** A power mode that leaves less than this share of the speed saves. */
export const savingRatio = 0.8;
