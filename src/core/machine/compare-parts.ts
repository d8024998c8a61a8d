import type { GraphicsKind } from './catalogue';
import type { Fact, KnownState } from './facts';
import type { ReadMachineFacts } from './read-machine';

/** Parts of a machine that can be changed for others. */
export const machineParts = ['processor', 'memory', 'graphics', 'drives'] as const;
export type MachinePart = (typeof machineParts)[number];

/** Facts of parts that stay in a machine until somebody changes them; a power mode or a plug is no part. */
const partKeys = ['coreCount', 'memoryMib', 'graphics', 'graphicsMemoryMib', 'hasSecondGraphics'] as const;
export type PartKey = (typeof partKeys)[number];

type PartValue = number | GraphicsKind | KnownState;
/** What is known of a machine's parts. */
export type KnownParts = Readonly<Record<PartKey, Fact<PartValue>>>;

/** A part that is another one by what was read than by what was known. */
export interface PartChange {
  readonly key: PartKey;
  readonly before: Fact<PartValue>;
  readonly now: PartValue;
}

/** Memory that a system keeps for itself differs by so much from one start to the next. */
const sameRatio = 0.03;

const isSame = (a: PartValue, b: PartValue): boolean =>
  typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) <= sameRatio * Math.max(a, b) : a === b;

/**
 * Parts that were read, stated or measured before and are now read as others: something was changed in the machine, or what was
 * typed does not hold. A guess that turned out otherwise is no change, and neither is an answer that nobody had.
 */
export function compareParts(known: KnownParts, read: ReadMachineFacts): readonly PartChange[] {
  return partKeys.flatMap((key) => {
    const [before, now] = [known[key], read[key]];
    if (!now || before.source === 'assumed' || before.value === 'unknown' || isSame(before.value, now.value)) return [];
    return [{ key, before, now: now.value }];
  });
}
