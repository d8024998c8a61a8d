'use client';

import { usePathname } from 'next/navigation';
import { useMemo } from 'react';
import styled from 'styled-components';
import { type JobCard, listPutBack, openTrial } from '@/core/card';
import { type CardOverview, minutesLeft, minutesSpent } from '@/core/diagnose';
import { usableRateRatio } from '@/core/load';
import { stepTexts } from '@/messages/card';
import { describeProbability, formatChance } from '@/messages/diagnosis';
import { fixTexts } from '@/messages/fixes';
import { formatAgo, formatFps, formatFpsRange, formatMs } from '@/messages/format';
import { scrubFeelTexts } from '@/messages/interview';
import { causeTexts } from '@/messages/load';
import { describeMinutes } from '@/messages/loop';
import { describeReadingWay } from '@/messages/readings';
import { Button } from '@/ui/Button';
import { Drop } from '@/ui/Drop';
import { FrameBudget } from '@/ui/FrameBudget';
import { LinkButton } from '@/ui/LinkButton';
import { RateScale } from '@/ui/RateScale';
import { Stub } from '@/ui/Stub';
import { colour, font } from '@/ui/tokens';
import { toBudgetLanes } from './budget-lanes';
import { describeMove, describeNextStep, doubtStep, waitingStep } from './describe-next-step';
import { useDiagnosis } from './diagnosis-context';
import { stepAfter, useFinishStep } from './use-finish-step';
import { useFrameTime } from './use-frame-time';
import { useNextMove } from './use-next-move';
import { useNowMs } from './use-now';
import { useTrialAdvice } from './use-trial-advice';

const Aside = styled.aside`
  padding: 22px 20px 24px 12px;
  @media (min-width: 1101px) { position: sticky; top: 56px; align-self: start; }
  @media (max-width: 1100px) {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 280px), 1fr));
    gap: 12px;
    align-items: start;
    padding: 12px 20px 0;
  }
  @media (max-width: 720px) { padding: 10px 12px 0; figure { display: none; } }
  @media print { display: none; }
`;
const Box = styled.section`
  padding: 14px 16px;
  background: ${colour.card};
  border: 1px solid ${colour.line};
  border-radius: 8px;
  > h2 { font: 600 15px ${font.text}; letter-spacing: 0; color: ${colour.inkSoft}; }
`;
const Big = styled.p`
  display: flex;
  align-items: baseline;
  flex-wrap: wrap;
  gap: 0 8px;
  margin: 4px 0 2px;
  font: 700 56px/1 ${font.heading};
  letter-spacing: -0.03em;
  > small { font: 500 16px ${font.text}; letter-spacing: 0; color: ${colour.inkSoft}; }
  &[data-range] { font-size: 34px; }
`;
const Ends = styled.p`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 8px;
  > span { white-space: nowrap; }
  font-size: 13.5px;
  color: ${colour.inkSoft};
`;
const Cause = styled.p`
  margin-top: 8px;
  font-size: 15px;
  > b { font-weight: 650; }
  > small { display: block; color: ${colour.inkSoft}; font-size: 13.5px; }
`;
const Next = styled(Box)`
  border-color: ${colour.oil};
  background: linear-gradient(${colour.oilWash}, ${colour.card});
  margin-top: 12px;
  @media (max-width: 1100px) { margin-top: 0; }
  > h2 { display: flex; align-items: center; gap: 6px; color: ${colour.oilInk}; font-weight: 700; }
  > h3 { font-size: 19px; margin: 3px 0 8px; }
  > dl { display: grid; grid-template-columns: 60px 1fr; gap: 2px 8px; font-size: 14.5px; margin-bottom: 12px; }
  dt { color: ${colour.inkSoft}; }
  > p { margin-top: 9px; font-size: 14px; color: ${colour.inkSoft}; }
`;

const Minutes = styled.p`
  padding-top: 8px;
  border-top: 1px dashed ${colour.edge};
  font-variant-numeric: tabular-nums;
`;

/** What is shown now against the target, the likely cause, and the one next step; the same on every step. */
export function Gauge({ card, overview }: { readonly card: JobCard; readonly overview: CardOverview }) {
  const nowMs = useNowMs();
  const { targetFps, reading, findings, isReadingInForce } = overview;
  const { diagnosis, status } = useDiagnosis();
  // Where the belief has nothing left, or cannot be asked, the estimate's own order stands; not before, or the step
  // would change under a person's eyes.
  const chosen = useNextMove(card, overview);
  const move = useMemo(() => chosen && describeMove(chosen), [chosen]);
  const spentMinutes = useMemo(() => minutesSpent(card), [card]);
  const leftMinutes = useMemo(
    () => (diagnosis && reading ? minutesLeft(card, diagnosis, chosen ?? { kind: 'nothing-left' }) : null),
    [card, diagnosis, reading, chosen],
  );
  const isWaiting = overview.next.kind === 'choose-fix' && diagnosis === null && status === 'running';
  const { isDoubtful } = useTrialAdvice(card, openTrial(card));
  const next = useMemo(
    () => (isWaiting ? waitingStep : isDoubtful ? doubtStep : (move ?? describeNextStep(overview.next, card))),
    [isWaiting, isDoubtful, move, overview, card],
  );
  const { facts = [] } = next;
  const { stages } = useFrameTime(card, findings);
  const shownFps = reading?.shownFps ?? null;
  const hasFootage = card.clips.length > 0;
  // Without a reading there is nothing to weigh causes by but the estimate.
  const likely = reading !== null && hasFootage ? diagnosis?.causes[0] : undefined;
  const causeId = likely?.id ?? findings.bindingCause;
  const causeSource = overview.isUsable
    ? 'by your last reading'
    : likely
      ? `${describeProbability(likely.probability)}, ${formatChance(likely.probability)}`
      : hasFootage
        ? 'by the estimate; not yet tested'
        : 'a usual clip stands in for your footage';
  const isOnStep = usePathname().endsWith(`/${next.stepId}`);
  const isHere = isOnStep && overview.next.kind === 'do-step';
  const following = stepAfter(next.stepId);
  const finishStep = useFinishStep(card.id);
  const openLines = listPutBack(card).filter((line) => !line.isDone);
  return (
    <Aside aria-label="Gauge">
      <Box>
        <h2>
          {shownFps === null ? 'Preview expected' : isReadingInForce ? 'Preview now' : 'Preview at the last reading'}
        </h2>
        <Big data-range={shownFps === null || undefined}>
          {shownFps === null ? formatFpsRange(findings.shownFps) : formatFps(Math.round(shownFps * 10) / 10)}
          <small>of {formatFps(targetFps)} a second</small>
        </Big>
        <RateScale
          targetFps={targetFps}
          usableFps={usableRateRatio * targetFps}
          shownFps={shownFps}
          expected={findings.shownFps}
        />
        <Ends>
          <span>
            {shownFps === null || !reading
              ? 'estimated'
              : `${describeReadingWay(reading)} ${nowMs !== null ? formatAgo(reading.takenAtMs, nowMs) : ''}`}
          </span>
          <span>usable: {formatFps(Math.ceil(usableRateRatio * targetFps * 10) / 10)}</span>
        </Ends>
        {reading?.scrubFeel && <Ends as="p">scrubbing: {scrubFeelTexts[reading.scrubFeel].label.toLowerCase()}</Ends>}
        <FrameBudget lanes={toBudgetLanes(stages)} budgetMs={findings.budgetMs} formatMs={formatMs} size="small" />
        <Cause>
          <b>
            {overview.isUsable
              ? 'Usable'
              : causeId
                ? causeTexts[causeId].title
                : hasFootage
                  ? 'Nothing should bind here'
                  : 'Nothing is known yet'}
          </b>
          <small>{causeSource}</small>
        </Cause>
      </Box>
      <Next aria-label="Next step" aria-busy={status === 'running'}>
        <h2>
          <Drop sizePx={16} /> Next step
        </h2>
        <h3>{next.title}</h3>
        {facts.length > 0 && (
          <dl>
            {facts.map((fact) => (
              <div key={fact.name} style={{ display: 'contents' }}>
                <dt>{fact.name}</dt>
                <dd>{fact.value}</dd>
              </div>
            ))}
          </dl>
        )}
        {isHere && following ? (
          <Button look="primary" isWide onPress={() => finishStep(next.stepId)}>
            Done here: on to {stepTexts[following].label.toLowerCase()}
          </Button>
        ) : (
          !isOnStep &&
          !isWaiting && (
            <LinkButton look="primary" isWide href={`/card/${encodeURIComponent(card.id)}/${next.stepId}`}>
              {next.button}
            </LinkButton>
          )
        )}
        <p>{next.why}</p>
        {reading && diagnosis && !isHere && <Minutes>{describeMinutes(spentMinutes, leftMinutes)}</Minutes>}
      </Next>
      {openLines.length > 0 && (
        <Stub aria-label="To put back">
          <h2>Put back</h2>
          {openLines.map(({ key, fix, when }) => {
            const text = fix.id in fixTexts ? fixTexts[fix.id as keyof typeof fixTexts].putBack?.what : fix.id;
            return (
              <p key={key}>
                {text} <small>({when === 'export' ? 'before export' : 'end of the day'})</small>
              </p>
            );
          })}
        </Stub>
      )}
    </Aside>
  );
}
