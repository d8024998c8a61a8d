/** A stream of repeatable numbers: the same seed always gives the same ones. */
export interface Random {
  /** From 0 up to, not including, 1. */
  readonly next: () => number;
  readonly between: (low: number, high: number) => number;
  /** A whole number from low to high, both included. */
  readonly whole: (low: number, high: number) => number;
  readonly isTrue: (probability: number) => boolean;
  readonly pick: <T>(items: readonly T[]) => T;
  /** The items in another order; the list itself stays as it is. */
  readonly shuffle: <T>(items: readonly T[]) => readonly T[];
  /** From the standard normal distribution. */
  readonly normal: () => number;
  /** A factor around 1 whose logarithm has this standard deviation. */
  readonly factor: (spread: number) => number;
}

/** A seed that depends on every letter of a text (FNV-1a, public domain). */
export function seedOf(text: string): number {
  let seed = 2_166_136_261;
  for (let i = 0; i < text.length; i++) seed = Math.imul(seed ^ text.charCodeAt(i), 16_777_619);
  return seed >>> 0;
}

/** A generator of 32-bit state (mulberry32, public domain), enough for simulation and sampling; not for secrets. */
export function createRandom(seed: number): Random {
  // Neighbouring seeds must not begin alike.
  let state = Math.imul((seed ^ 0x9e3779b9) >>> 0, 0x85ebca6b) >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
  const between = (low: number, high: number): number => low + (high - low) * next();
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
  return {
    next,
    between,
    whole: (low, high) => low + Math.floor(next() * (high - low + 1)),
    isTrue: (probability) => next() < probability,
    pick: (items) => {
      const item = items[Math.floor(next() * items.length)];
      if (item === undefined) throw new Error('pick: no items');
      return item;
    },
    shuffle: (items) => {
      const order = [...items];
      for (let i = order.length - 1; i > 0; i--) {
        const j = Math.floor(next() * (i + 1));
        const held = order[i] as (typeof order)[number];
        order[i] = order[j] as (typeof order)[number];
        order[j] = held;
      }
      return order;
    },
    normal,
    factor: (spread) => Math.exp(spread * normal()),
  };
}
