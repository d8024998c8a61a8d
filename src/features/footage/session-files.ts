/**
 * The files behind clips, as handles, while this page is open: for reading again and test-play. Nothing of them is
 * stored; after a reload a file must be chosen again.
 */
const fileByClipId = new Map<string, File>();

/** Keeps the handle of a clip's file until the page is closed. */
export const rememberFile = (clipId: string, file: File): void => {
  fileByClipId.set(clipId, file);
};

/** The clip's file, or null where it was not chosen since the page was opened. */
export const findFile = (clipId: string): File | null => fileByClipId.get(clipId) ?? null;
