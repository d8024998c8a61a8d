'use client';

import { type RefObject, useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { findReading, type Trial } from '@/core/card';
import type { TrialAdvice } from '@/core/diagnose';
import { closesPrograms, findFix, makesProxies } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { fixTexts, giveBackSteps } from '@/messages/fixes';
import { formatRate, formatWait } from '@/messages/format';
import { scrubFeelTexts } from '@/messages/interview';
import { describeAdvice, verdictTexts } from '@/messages/loop';
import { describeCompareFailure } from '@/messages/readings';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Row, Soft, Spaced } from '@/ui/layout';
import { NumberedList } from '@/ui/lists';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { FixSteps } from '../looks/FixSteps';
import { CleanUpCheck } from '../programs/CleanUpCheck';
import { TrialProxies } from '../proxies/TrialProxies';
import { TakeReading } from '../readings/TakeReading';
import { useTrialAdvice } from '../shell/answer/use-trial-advice';
import { useOpenCard } from '../shell/card/use-open-card';
import { AttachQuestion } from './AttachQuestion';
import { ComesFirst } from './ComesFirst';

const Part = styled.div`
  padding: 12px 0;
  border-top: 1px dashed ${colour.edge};
  &:first-of-type { border-top: 0; padding-top: 0; }
  h3 { font: 650 16px/1.3 ${font.text}; margin-bottom: 6px; }
  &[data-waiting] h3 { color: ${colour.inkSoft}; }
`;
const Compared = styled.p`
  font-size: 18px;
  margin-bottom: 4px;
`;
const Verdict = styled.p`
  margin-bottom: 10px;
  padding-left: 12px;
  border-left: 4px solid ${colour.edge};
  &[data-verdict='better'] { border-left-color: ${colour.good}; }
  &[data-verdict='worse'] { border-left-color: ${colour.alarm}; }
`;

/** What both readings say, side by side. */
function Figures({ trial }: { readonly trial: Trial }) {
  const { card } = useOpenCard();
  const before = findReading(card, trial.beforeReadingId);
  const after = findReading(card, trial.afterReadingId);
  if (!before || !after) return null;
  return (
    <Compared>
      {before.shownFps !== null && after.shownFps !== null && (
        <>
          {formatRate(before.shownFps)} → <b>{formatRate(after.shownFps)}</b> a second{' '}
        </>
      )}
      {before.scrubMs !== null && after.scrubMs !== null && (
        <>
          · a move of the playhead {formatWait(before.scrubMs)} → <b>{formatWait(after.scrubMs)}</b>{' '}
        </>
      )}
      {before.scrubFeel && after.scrubFeel && (
        <>
          · scrubbing {scrubFeelTexts[before.scrubFeel].label.toLowerCase()} →{' '}
          <b>{scrubFeelTexts[after.scrubFeel].label.toLowerCase()}</b>
        </>
      )}
    </Compared>
  );
}

function Advice({ advice, isWeighing }: { readonly advice: TrialAdvice; readonly isWeighing: boolean }) {
  const { label, why } = isWeighing
    ? { label: verdictTexts[advice.verdict], why: 'Weighing it against all that is known…' }
    : describeAdvice(advice);
  return (
    <>
      {advice.failure && <Note>{describeCompareFailure(advice.failure)}</Note>}
      <Verdict data-verdict={advice.verdict}>
        <b>{label}.</b> {why}
      </Verdict>
    </>
  );
}

/** A reading that may be far off, taken again before the decision. */
function MeasureAgain({ isAsked }: { readonly isAsked: boolean }) {
  const [isTaking, setTaking] = useState(false);
  // What is being typed stays, whatever is weighed meanwhile.
  if (!isTaking && !isAsked) return null;
  return isTaking ? (
    <Spaced $belowPx={14}>
      <TakeReading buttonLabel="Store the repeated reading" />
    </Spaced>
  ) : (
    <Row $belowPx={10}>
      <Button variant="primary" onPress={() => setTaking(true)}>
        Measure once more
      </Button>
    </Row>
  );
}

/** How the change is made; folded where what is to be done stands above by name. */
function Steps({ isFolded, ...fix }: Parameters<typeof FixSteps>[0] & { readonly isFolded: boolean }) {
  if (!isFolded) return <FixSteps {...fix} />;
  return (
    <Spaced $belowPx={12}>
      <Disclosure label="How it is done">
        <FixSteps {...fix} />
      </Disclosure>
    </Spaced>
  );
}

const stageOf = ({ madeAtMs, afterReadingId }: Trial): 1 | 2 | 3 =>
  afterReadingId !== null ? 3 : madeAtMs !== null ? 2 : 1;

/** A trial that was begun so lately was begun on this page just now. */
const justBegunMs = 3000;

/** The heading of the part that is to be done: it comes into view, and takes the focus, when its turn comes. */
function useTurn(trial: Trial): RefObject<HTMLHeadingElement | null> {
  const heading = useRef<HTMLHeadingElement>(null);
  const stage = stageOf(trial);
  const known = useRef(Date.now() - trial.startedAtMs < justBegunMs ? 0 : stage);
  useEffect(() => {
    if (known.current === stage) return;
    known.current = stage;
    heading.current?.focus({ preventScroll: true });
    heading.current?.scrollIntoView({ block: 'nearest' });
  }, [stage]);
  return heading;
}

/** The trial under way: make the change, measure it, then keep it or undo it. One part is open at a time. */
export function TrialSheet({ trial }: { readonly trial: Trial }) {
  const { card, run } = useOpenCard();
  const turn = useTurn(trial);
  const stage = stageOf(trial);
  const known = findFix(trial.fix.id);
  const { advice, isWeighing, isDoubtful } = useTrialAdvice(card, trial);
  const lookOf = (outcome: TrialAdvice['recommended']) =>
    advice?.recommended === outcome && !isWeighing && !isDoubtful ? 'primary' : 'plain';
  const isMade = trial.madeAtMs !== null || trial.afterReadingId !== null;
  const isGiveBack = trial.direction === 'give-back';
  const end = (outcome: 'kept' | 'undone' | 'abandoned') =>
    run({ type: 'endTrial', input: { id: trial.id, outcome, nowMs: Date.now() } });
  const mark = (madeAtMs: number | null) => run({ type: 'markTrialMade', input: { id: trial.id, madeAtMs } });
  const title = fixTitle(trial.fix.id, trial.fix.level);
  const isClosing = !isGiveBack && closesPrograms(trial.fix.id) && card.programs.length > 0;
  const giveUp = (
    <Button variant="quiet" onPress={() => end('abandoned')}>
      Give up this trial
    </Button>
  );
  return (
    <Sheet title={`On trial: ${isGiveBack ? `without “${title}”` : title}`} kind="next">
      <Part>
        <h3 ref={stage === 1 ? turn : undefined} tabIndex={-1}>
          1. {isGiveBack ? 'Take it away' : 'Make the change'}
        </h3>
        {!isMade && known && !isGiveBack && <ComesFirst fix={known} />}
        {!isMade && isGiveBack && known && (
          <NumberedList $belowPx={8}>
            {giveBackSteps(known.id, trial.fix.level).map((step) => (
              <li key={step}>{step}</li>
            ))}
          </NumberedList>
        )}
        {!isMade && !isGiveBack && known && <AttachQuestion card={card} fixId={known.id} />}
        {isClosing && <CleanUpCheck card={card} />}
        {!isGiveBack && makesProxies(trial.fix.id) && <TrialProxies card={card} />}
        {!isMade && !isGiveBack && known && <Steps fixId={known.id} level={trial.fix.level} isFolded={isClosing} />}
        {isMade ? (
          <Row>
            <Soft>Made.</Soft>
            {trial.afterReadingId === null && (
              <Button variant="quiet" onPress={() => mark(null)}>
                Show again how
              </Button>
            )}
          </Row>
        ) : (
          <Row>
            <Button variant="primary" onPress={() => mark(Date.now())}>
              It is made: measure it
            </Button>
            {giveUp}
          </Row>
        )}
      </Part>
      <Part data-waiting={!isMade || undefined}>
        <h3 ref={stage === 2 ? turn : undefined} tabIndex={-1}>
          2. Play the same stretch and measure
        </h3>
        {isMade && trial.afterReadingId === null && <TakeReading buttonLabel="Store the second reading" />}
        {isMade && trial.afterReadingId === null && giveUp}
        {trial.afterReadingId !== null && <Figures trial={trial} />}
      </Part>
      <Part data-waiting={advice === null || undefined}>
        <h3 ref={stage === 3 ? turn : undefined} tabIndex={-1}>
          3. {isGiveBack ? 'Leave it away or set it again' : 'Keep it or undo it'}
        </h3>
        {advice ? (
          <>
            <Advice advice={advice} isWeighing={isWeighing} />
            {(isDoubtful || isWeighing) && <MeasureAgain key={trial.afterReadingId} isAsked={isDoubtful} />}
            {advice.verdict === 'no-clear-change' && known && !isGiveBack && (
              <Note>
                <b>Did it really act?</b> {fixTexts[known.id].check}
                <Spaced $abovePx={8}>
                  <Button onPress={() => run({ type: 'restartTrial', input: { id: trial.id } })}>
                    It had not acted: make it again
                  </Button>
                </Spaced>
              </Note>
            )}
            <Row>
              <Button variant={lookOf('kept')} onPress={() => end('kept')}>
                {isGiveBack ? 'Leave it away' : 'Keep it'}
              </Button>
              <Button variant={lookOf('undone')} onPress={() => end('undone')}>
                {isGiveBack ? 'Set it again' : 'Undo it'}
              </Button>
            </Row>
          </>
        ) : (
          <Soft>After the second reading.</Soft>
        )}
      </Part>
    </Sheet>
  );
}
