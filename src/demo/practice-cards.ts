/** Cards beside which a practice machine lies: readings can be taken from it instead of from an editor. */
const practiceCardIds: ReadonlySet<string> = new Set(['demo-decode-bound', 'demo-effects-bound', 'demo-programs-busy']);

/** Whether a practice machine lies beside a card. */
export const hasPracticeMachine = (cardId: string): boolean => practiceCardIds.has(cardId);
