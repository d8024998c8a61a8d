/** How the practice window stutters: evenly, by turns slower and faster, or with a stop now and then. */
export const practicePatterns = ['even', 'by-turns', 'freezes'] as const;
export type PracticePattern = (typeof practicePatterns)[number];

/** By turns: so long quicker, then as long slower, by so much. */
const turns = { ms: 800, slower: 2.2 } as const;
/** A stop of so long, once in so long. */
const stops = { everyMs: 4000, ms: 700 } as const;

/**
 * When the next picture is shown after one at `atMs`. `fps` is the rate between stops, and for turns the rate of the
 * quicker half.
 */
export function nextShownMs(pattern: PracticePattern, fps: number, atMs: number): number {
  const stepMs = 1000 / fps;
  switch (pattern) {
    case 'even':
      return atMs + stepMs;
    case 'by-turns':
      return atMs + (Math.floor(atMs / turns.ms) % 2 === 0 ? 1 : turns.slower) * stepMs;
    case 'freezes': {
      const next = atMs + stepMs;
      return Math.floor(next / stops.everyMs) > Math.floor(atMs / stops.everyMs) ? next + stops.ms : next;
    }
    default:
      return pattern satisfies never;
  }
}
