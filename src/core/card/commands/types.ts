import type { FixUse, JobCard } from '../types';

/** Why a command cannot be carried out on this card. */
export type CommandFailure =
  | {
      readonly code: 'item-missing';
      readonly item:
        | 'clip'
        | 'program'
        | 'effect'
        | 'reading'
        | 'trial'
        | 'decode-test'
        | 'answer'
        | 'working-set'
        | 'drive';
      readonly id: string;
    }
  | {
      readonly code: 'item-exists';
      readonly item: 'clip' | 'program' | 'effect' | 'reading' | 'trial' | 'decode-test' | 'answer';
      readonly id: string;
    }
  | { readonly code: 'title-empty' }
  | { readonly code: 'value-out-of-range'; readonly path: string; readonly received: string }
  | { readonly code: 'trial-already-open'; readonly fix: FixUse }
  | { readonly code: 'trial-not-open' }
  | { readonly code: 'trial-in-working-set' }
  | { readonly code: 'working-set-in-use' }
  | { readonly code: 'too-many-working-sets'; readonly most: number }
  | { readonly code: 'trial-needs-reading' }
  | { readonly code: 'reading-empty' }
  | { readonly code: 'reading-in-use' };

/** A change of a card under a name: pure, so that it can be undone, applied again on a newer card, logged and tested. */
export type CommandHandler<Input> = (
  card: JobCard,
  input: Input,
) => { readonly ok: true; readonly value: JobCard } | { readonly ok: false; readonly failure: CommandFailure };
