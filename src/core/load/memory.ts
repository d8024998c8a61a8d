import type { ClipMix } from './clip-mix';
import { previewMegapixels } from './preview-picture';
import { pieceCount } from './timeline-length';
import type { Setup } from './types';

/** Assumptions of 2026-11, in MiB unless named otherwise. */
const memoryCosts = {
  system: 1800,
  editor: 1350,
  /** Index, thumbnails and waveforms of one clip. */
  perClip: 1.45,
  /** A piece between two cuts, with its links and its place on the screen. */
  perPiece: 0.12,
  /** Decoded pictures that an editor holds of each open clip. */
  picturesHeld: 8,
  /** Of what the editor is allowed to take, what it ends up taking. */
  takenRatio: 0.93,
} as const;

const heldMib = (programs: Setup['programs']): number => programs.reduce((sum, { memoryMib }) => sum + memoryMib, 0);

/** The machine's memory by what holds it, in MiB. */
export interface MemorySplit {
  readonly system: number;
  readonly editor: number;
  readonly others: number;
  readonly left: number;
}

/** How memory would be split with so much for the editor: the programs that are listed beside it, and what is left; never below 0. */
export function splitWith({ machine, programs }: Setup, editorMib: number): MemorySplit {
  const { system } = memoryCosts;
  const others = heldMib(programs);
  return { system, editor: editorMib, others, left: Math.max(0, machine.memoryMib - system - others - editorMib) };
}

/** What the editor itself wants for this film, in MiB, whatever it is allowed. */
export const editorWantsMib = (setup: Setup, mix: ClipMix): number =>
  memoryCosts.editor +
  memoryCosts.perClip * (setup.clips.length + setup.timeline.unusedClipCount) +
  memoryCosts.perPiece * pieceCount(setup.timeline) +
  memoryCosts.picturesHeld * mix.openPictureMib * (setup.editor.isSpeedFavoured ? 2 : 1);

/**
 * Memory that the system, the editor and the other programs want together, in MiB. An editor that was given memory
 * ends up taking nearly all of it, and no more; computed pictures are kept beside that.
 */
export function memoryNeededMib(setup: Setup, mix: ClipMix): number {
  const { memoryGivenMib } = setup.editor;
  const wants = editorWantsMib(setup, mix);
  const takes =
    memoryGivenMib === null
      ? wants
      : Math.max(Math.min(wants, memoryGivenMib), memoryGivenMib * memoryCosts.takenRatio);
  return memoryCosts.system + takes + heldPicturesMib(setup) + heldMib(setup.programs);
}

/** Memory for computed pictures in an editor that computes first; a quarter of all where nobody said. Assumption. */
export function previewMemoryMibOf({ editor, machine }: Setup): number {
  return editor.previewMemoryMib ?? machine.memoryMib / 4;
}

/** What computed pictures take: of an editor that plays at once only what somebody said that it keeps for them, in MiB. */
const heldPicturesMib = (setup: Setup): number =>
  setup.editor.playsBy === 'computing-first' ? previewMemoryMibOf(setup) : (setup.editor.previewMemoryMib ?? 0);

/** What the screen wants of graphics memory, and the editor's own windows where the graphics draw them, in MiB. Assumptions. */
const screenGraphicsMib = 80;
const panelGraphicsMib = 100;

/** Graphics memory that drawing wants there, in MiB: some pictures of each layer, title and effect. Assumption. */
export function graphicsNeededMib(setup: Setup): number {
  const { timeline, preview } = setup;
  const pictureMib = (previewMegapixels(timeline, preview) * 4e6 * (preview.workingDepthBits / 8)) / 2 ** 20;
  const pictures =
    timeline.videoLayerCount + timeline.coveredLayerCount + timeline.titleCount + timeline.effects.length;
  const panels = setup.editor.arePanelsOnGraphics ? panelGraphicsMib : 0;
  return screenGraphicsMib + panels + 7 * pictureMib * pictures;
}
