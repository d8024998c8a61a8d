'use client';

import { useDeferredValue, useMemo } from 'react';
import { type Belief, priorBelief } from '@/core/belief';
import { type FixUse, isSameFix, type JobCard } from '@/core/card';
import { createRefusal, isTooEarly, rankCardFixes } from '@/core/diagnose';
import { type FixGroupOfEffect, groupByEffect, leastGain, type RankedFix } from '@/core/fixes';
import { Disclosure } from '@/ui/Disclosure';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { FilmStageField } from '../fields/FilmStageField';
import { FixCard } from './FixCard';

interface AllFixesProps {
  readonly card: JobCard;
  /** What readings and answers leave likely; null where there are none, or nothing is concluded yet. */
  readonly posterior: Belief | null;
  /** The one that is shown above already. */
  readonly shown: FixUse | null;
  readonly canTry: boolean;
  readonly isUsable: boolean;
  readonly onTry: (fix: FixUse) => void;
}

/** Every other fix in reach, to be taken out of turn: what helps first, the rest folded away. */
export function AllFixes({ card, posterior, shown, canTry, isUsable, onTry }: AllFixesProps) {
  // Ranking seventy fixes on a long project takes a moment; what the belief answers must not wait for it.
  const settled = useDeferredValue(card);
  const read = useDeferredValue(posterior);
  const ranked = useMemo(() => rankCardFixes(settled, read ?? priorBelief(settled)), [settled, read]);
  const isBusy = settled !== card || read !== posterior;
  const shownKey = shown && ranked.find((fix) => isSameFix(fix, shown))?.effectKey;
  const others = ranked.filter(
    (fix) =>
      !(shown && isSameFix(fix, shown)) &&
      fix.effectKey !== shownKey &&
      !card.editorProfile.lacks.includes(fix.id) &&
      !isTooEarly(card, fix.id),
  );
  const isStageOpen =
    card.filmStage === 'unknown' && ranked.some((fix) => isTooEarly(card, fix.id) && fix.gain >= leastGain);
  // What was tried and undone is still in reach, but not worth the next trial.
  const isRefused = createRefusal(card);
  const isHelpful = (fix: RankedFix): boolean => fix.gain >= leastGain && !isRefused(fix);
  const helpful = groupByEffect(others.filter(isHelpful));
  const idle = others.filter((fix) => !isHelpful(fix));
  const openCount = isUsable ? 0 : 5;
  const show = ({ first, others: ways }: FixGroupOfEffect) => (
    <FixCard key={first.id} card={card} ranked={first} otherWays={ways} canTry={canTry} onTry={onTry} />
  );
  return (
    <>
      {helpful.length > 0 && (
        <Sheet
          title="Others worth trying"
          aside={`what each brings for what it costs, by ${read ? 'your readings' : 'the estimate'}`}
          isBusy={isBusy}
        >
          {helpful.slice(0, openCount).map(show)}
          {helpful.length > openCount && (
            <Disclosure label={`${helpful.length - openCount} more`}>{helpful.slice(openCount).map(show)}</Disclosure>
          )}
        </Sheet>
      )}
      {helpful.length === 0 && shown === null && !isUsable && (
        <Note>
          None of the fixes here is expected to close the gap. Look again at what is assumed about the machine and the
          timeline: a guess there may hide the cause.
        </Note>
      )}
      {isStageOpen && (
        <Sheet title="One question" aside="some fixes are for finished sections alone">
          <FilmStageField />
        </Sheet>
      )}
      {idle.length > 0 && (
        <Sheet title="Would bring little or nothing here" aside="still in reach, if you know better" isBusy={isBusy}>
          <Disclosure label={`Show ${idle.length} fixes`}>{groupByEffect(idle).map(show)}</Disclosure>
        </Sheet>
      )}
    </>
  );
}
