import type { FixLevel } from '@/core/fixes';

/** Everything that a person reads of a fix beside its title. */
export interface FixText {
  /** What to do, in three short lines. */
  readonly steps: (level: FixLevel) => readonly string[];
  /** Where editors usually keep it. */
  readonly where: string;
  /** How to see that it really took effect. */
  readonly check: string;
  /** What is given up while it is in force. */
  readonly cost: string;
  /** The line on the put-back list, why it is there, and how to see that it is done; null where nothing must be put back. */
  readonly putBack: { readonly what: string; readonly why: string; readonly seen: string } | null;
}
