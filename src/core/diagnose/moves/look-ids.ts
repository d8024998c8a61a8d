import type { LagKind } from '../../card';

/*
 * Names under which a card keeps what was answered or skipped. They stand apart from what weighs the looks: texts need the
 * names alone, and the first page has some of those texts.
 */

/** The questions that stand open at all; a card keeps under these names what was skipped. */
export const openQuestionIds = { moments: 'when-it-lags', kinds: 'how-it-lags', reading: 'first-reading' } as const;

/** What an answer to the telling question of a side complaint is stored as. */
export const sideQuestionId = (kind: LagKind): string => `beside-${kind}`;

/** The name under which a test-play stands among the next tests. */
export const testPlayId = 'test-play';
