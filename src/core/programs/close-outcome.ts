/**
 * What became of a program that was to be closed. `gone`: it does not run any more; `quiet`: it runs and takes next to nothing,
 * as a paused one does; `back`: it was started anew; `still`: it runs as before.
 */
export const closeOutcomes = ['gone', 'quiet', 'back', 'still'] as const;
export type CloseOutcome = (typeof closeOutcomes)[number];

/** Whether a program that was to be closed still takes what it took. */
export const isStillThere = (outcome: CloseOutcome | null): boolean => outcome === 'back' || outcome === 'still';
