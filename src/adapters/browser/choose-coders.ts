/** Who decodes and who encodes: the processor, or the graphics where the browser offers them. */
export interface Coders {
  readonly decoding: HardwareAcceleration;
  readonly encoding: HardwareAcceleration;
}

/** Left to the browser: where it offers no choice, and for clips too short for a trial to pay. */
export const browsersChoice: Coders = { decoding: 'no-preference', encoding: 'no-preference' };

/** The graphics must be quicker by so much: their encoders give more bits away, and a trial of a second is no more exact. */
const quickerRatio = 0.9;

/**
 * Chooses by trying: each way that the browser accepts makes the first second of the clip, and the quickest is taken. A way that
 * breaks in its trial is out. Where the graphics are offered for neither, nothing is tried.
 *
 * @param accepted whether the browser takes the graphics for decoding this clip, and for encoding its proxy
 * @param timeMs makes the first second so, and gives its milliseconds; null where that broke or a frame was missing
 */
export async function chooseCoders(
  accepted: { readonly decoding: boolean; readonly encoding: boolean },
  timeMs: (coders: Coders) => Promise<number | null>,
): Promise<Coders> {
  if (!accepted.decoding && !accepted.encoding) return browsersChoice;
  const waysOf = (isAccepted: boolean): readonly HardwareAcceleration[] =>
    isAccepted ? ['prefer-software', 'prefer-hardware'] : ['no-preference'];
  let best: { readonly coders: Coders; readonly neededMs: number } | null = null;
  for (const decoding of waysOf(accepted.decoding))
    for (const encoding of waysOf(accepted.encoding)) {
      const coders = { decoding, encoding };
      const ms = await timeMs(coders);
      // The processor comes first: what comes after it must be clearly quicker.
      if (ms !== null && (best === null || ms < quickerRatio * best.neededMs)) best = { coders, neededMs: ms };
    }
  return best?.coders ?? browsersChoice;
}
