'use client';

import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import { openTrial, readingInForce, targetFpsOf } from '@/core/card';
import { chooseMove, rankCardFixes, summariseCard } from '@/core/diagnose';
import { leastGain, type RankedFix } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { formatFps } from '@/messages/format';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { ReadingForm } from '../readings/ReadingForm';
import { useDiagnosis } from '../shell/diagnosis-context';
import { StepPage } from '../shell/StepPage';
import { useOpenCard } from '../shell/use-open-card';
import { FixCard } from './FixCard';
import { TrialHistory } from './TrialHistory';
import { TrialSheet } from './TrialSheet';

const ReadingsChart = dynamic(() => import('@/ui/charts/ReadingsChart').then((module) => module.ReadingsChart), {
  ssr: false,
});

/** The loop: take one fix, measure, keep or undo; all others stay in reach. */
export function Fixes() {
  const { card, run } = useOpenCard();
  const trial = openTrial(card);
  const ranked = useMemo(() => rankCardFixes(card).filter((fix) => fix.id !== openTrial(card)?.fix.id), [card]);
  const { isUsable } = useMemo(() => summariseCard(card), [card]);
  const reading = readingInForce(card);
  const { diagnosis } = useDiagnosis();
  const move = diagnosis ? chooseMove(diagnosis) : null;
  const proposed = move?.kind === 'try' ? move.fix : null;
  // What the belief proposes comes first, whatever the estimate alone would make of it.
  const isProposed = (fix: RankedFix) => fix.id === proposed?.id;
  const helpful = [
    ...ranked.filter(isProposed).map((fix) => ({ ...fix, level: proposed?.level ?? fix.level })),
    ...ranked.filter((fix) => fix.gain >= leastGain && !isProposed(fix)),
  ];
  const idle = ranked.filter((fix) => fix.gain < leastGain && !isProposed(fix));
  const canTry = trial === null && reading !== null;
  const tryFix = (fix: RankedFix) =>
    run({
      type: 'beginTrial',
      input: { id: crypto.randomUUID(), fix: { id: fix.id, level: fix.level }, nowMs: Date.now() },
    });
  const points = card.readings.flatMap((past) =>
    past.shownFps === null
      ? []
      : [
          {
            label: past.fixes.at(-1)
              ? fixTitle(past.fixes.at(-1)?.id ?? '', past.fixes.at(-1)?.level ?? null)
              : 'before',
            fps: past.shownFps,
          },
        ],
  );

  return (
    <StepPage stepId="fixes">
      {trial && <TrialSheet trial={trial} />}
      {!trial && !reading && (
        <Sheet title="First, a reading of how it is now" kind="next">
          <p style={{ marginBottom: 12 }}>Without one there is nothing to compare a fix with.</p>
          <ReadingForm />
        </Sheet>
      )}
      {isUsable && !trial && (
        <Note kind="good">
          The preview is usable: your last reading is within a twentieth of the {formatFps(targetFpsOf(card))} a second
          that you want. Stop here and edit, or try further.
        </Note>
      )}
      {helpful.length > 0 && (
        <Sheet title="Worth trying, in this order" aside="by what the estimate says that each brings for what it costs">
          {helpful.map((fix, i) => (
            <FixCard
              key={fix.id}
              card={card}
              ranked={fix}
              isFirst={i === 0 && canTry && !isUsable}
              canTry={canTry}
              onTry={() => tryFix(fix)}
            />
          ))}
        </Sheet>
      )}
      {helpful.length === 0 && !trial && !isUsable && (
        <Note>
          By the estimate none of the fixes here closes the gap. Look again at what is assumed about the machine and the
          timeline: a guess there may hide the cause.
        </Note>
      )}
      {idle.length > 0 && (
        <Sheet title="Would bring little or nothing here" aside="still in reach, if you know better">
          {idle.map((fix) => (
            <FixCard key={fix.id} card={card} ranked={fix} isFirst={false} canTry={canTry} onTry={() => tryFix(fix)} />
          ))}
        </Sheet>
      )}
      <TrialHistory />
      {points.length > 1 && (
        <Sheet title="Readings so far" aside={`target ${formatFps(targetFpsOf(card))} a second`}>
          <ReadingsChart points={points} targetFps={targetFpsOf(card)} formatFps={formatFps} />
        </Sheet>
      )}
    </StepPage>
  );
}
