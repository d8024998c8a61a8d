/** One press of the tapping key, from when it went down until it came up. */
export interface Press {
  readonly fromMs: number;
  readonly toMs: number;
}

/** A key held longer than this was held on purpose: a freeze. Quick taps last 60 to 150 ms. */
export const heldMs = 350;

/** What presses say: taps are stutters, held ones freezes of that length. */
export function summarisePresses(presses: readonly Press[]): {
  readonly stutterCount: number;
  readonly freezesMs: readonly number[];
} {
  const lengths = presses.map(({ fromMs, toMs }) => Math.max(0, Math.round(toMs - fromMs)));
  const freezesMs = lengths.filter((ms) => ms >= heldMs);
  return { stutterCount: lengths.length - freezesMs.length, freezesMs };
}
