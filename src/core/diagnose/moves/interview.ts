import type { JobCard, LagKind } from '../../card';
import type { Diagnosis } from '../answer/diagnose';
import { listSideLeads, type SideLead } from '../answer/side-complaints';
import type { NextTest } from './next-tests';

/** The next thing to ask about what a person sees. */
export type InterviewQuestion =
  | { readonly kind: 'moments' }
  | { readonly kind: 'kinds' }
  /** A complaint that is no preview lag: the one question that leads on. */
  | { readonly kind: 'side'; readonly lead: SideLead }
  | { readonly kind: 'reading' }
  | { readonly kind: 'look'; readonly test: NextTest };

/** A look that is expected to tell less than this, in bits, is not asked in the interview. */
const leastBits = 0.05;
/** Answers beyond which the interview stops by itself; the rest can be found among the looks. */
const mostLooks = 6;

/** What an answer to the telling question of a side complaint is stored as. */
export const sideQuestionId = (kind: LagKind): string => `beside-${kind}`;

/** The questions that stand open at all; a card keeps under these names what was skipped. */
export const openQuestionIds = { moments: 'when-it-lags', kinds: 'how-it-lags', reading: 'first-reading' } as const;

/**
 * The next question of the interview, or null where no further answer would tell much: first when and how it lags,
 * then what is no lag at all, then a rough reading, then whatever tells most for its minutes. What was skipped is among
 * the answers, and is not asked again until it is taken back.
 */
export function nextQuestion(card: JobCard, diagnosis: Diagnosis | null): InterviewQuestion | null {
  const { moments, kinds } = card.symptoms;
  const wasAsked = (id: string): boolean =>
    card.answers.some(({ questionId }) => questionId === id) || card.refused.some((test) => test.id === id);
  if (moments.length === 0 && !wasAsked(openQuestionIds.moments)) return { kind: 'moments' };
  if (kinds.length === 0 && !wasAsked(openQuestionIds.kinds)) return { kind: 'kinds' };
  const lead = listSideLeads(card).find(({ kind }) => !wasAsked(sideQuestionId(kind)));
  if (lead) return { kind: 'side', lead };
  if (card.readings.length === 0 && !wasAsked(openQuestionIds.reading)) return { kind: 'reading' };
  const looks = diagnosis?.nextTests.filter(({ kind }) => kind === 'question') ?? [];
  const answered = card.answers.filter(({ questionId }) => looks.every(({ id }) => id !== questionId)).length;
  const [best] = [...looks].sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
  return best && best.bits >= leastBits && answered < mostLooks + kinds.length ? { kind: 'look', test: best } : null;
}
