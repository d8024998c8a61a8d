import { shownStreamOf } from './clip-cost';
import type { Hidden, Setup } from './types';

/** Assumptions of 2026-11, in MiB unless named otherwise; the memory formula is to be fitted in the diagnosis issue. */
const memoryCosts = {
  system: 1800,
  editor: 1400,
  /** Index, thumbnails and waveforms of one clip. */
  perClip: 1.5,
  /** Clips that an editor keeps open at once, and the decoded frames it holds for each. */
  mostOpenClips: 12,
  framesHeld: 8,
} as const;

/** Memory that the system, the editor and the other programs want together, in MiB. */
export function memoryNeededMib(setup: Setup, hidden: Hidden): number {
  const open = setup.clips.slice(0, memoryCosts.mostOpenClips).map((clip) => shownStreamOf(clip, hidden));
  const frameBytes = open.reduce(
    (sum, stream) => sum + stream.widthPx * stream.heightPx * 1.5 * (stream.bitDepth > 8 ? 2 : 1),
    0,
  );
  const programs = setup.programs.reduce((sum, program) => sum + program.memoryMib, 0);
  return (
    memoryCosts.system +
    memoryCosts.editor +
    memoryCosts.perClip * setup.clips.length +
    (memoryCosts.framesHeld * frameBytes) / 2 ** 20 +
    programs
  );
}
