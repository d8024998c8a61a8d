'use client';

import { usePathname } from 'next/navigation';
import { useMemo } from 'react';
import styled from 'styled-components';
import { type JobCard, listPutBack, openTrial } from '@/core/card';
import { type CardOverview, minutesSpent } from '@/core/diagnose';
import { usableRateRatio } from '@/core/usable/limits';
import { stepTexts } from '@/messages/card';
import { fixTexts } from '@/messages/fixes';
import { formatAgo, formatFps, formatFpsRange, formatMs, formatRate } from '@/messages/format';
import { scrubFeelTexts } from '@/messages/interview';
import { describeMinutesSpent } from '@/messages/loop';
import { describeNamedCause } from '@/messages/named-cause';
import { describeReadingWay } from '@/messages/readings';
import { listSetNow } from '@/messages/set-now';
import { Button } from '@/ui/Button';
import { Drop } from '@/ui/Drop';
import { FrameBudget } from '@/ui/FrameBudget';
import { LinkButton } from '@/ui/LinkButton';
import { RateScale } from '@/ui/RateScale';
import { Stub } from '@/ui/Stub';
import { colour, font } from '@/ui/tokens';
import {
  describeMove,
  describeNextStep,
  doubtStep,
  type NextStepText,
  waitingStep,
} from '../answer/describe-next-step';
import { useDiagnosis } from '../answer/diagnosis-context';
import type { ConclusionByNow } from '../answer/use-conclusion';
import { useTrialAdvice } from '../answer/use-trial-advice';
import { useNarrow } from '../frame/use-narrow';
import { useNowMs } from '../frame/use-now';
import { stepAfter, useFinishStep } from '../rail/use-finish-step';
import { toBudgetLanes } from './budget-lanes';
import { useFrameTime } from './use-frame-time';

const Aside = styled.aside`
  padding: 22px 20px 24px 12px;
  @media (min-width: 1101px) { position: sticky; top: 56px; align-self: start; min-height: 660px; }
  @media (max-width: 1100px) { padding: 12px 20px 0; }
  @media (max-width: 720px) { padding: 6px 12px 0; figure { display: none; } }
  @media print { display: none; }
`;
const Parts = styled.div`
  @media (max-width: 1100px) {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 280px), 1fr));
    gap: 12px;
    align-items: start;
  }
`;
/** On a narrow screen: all of it as one line, which opens. */
const Folded = styled.details`
  > summary {
    display: flex;
    gap: 8px;
    align-items: baseline;
    padding: 5px 10px;
    border: 1px solid ${colour.line};
    border-radius: 4px;
    background: ${colour.card};
    font-size: 14.5px;
    cursor: pointer;
    list-style: none;
  }
  > summary > b { white-space: nowrap; }
  > summary > span { flex: 1; min-width: 0; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; color: ${colour.oilInk}; font-weight: 650; }
  > summary::after { content: '▾'; color: ${colour.inkSoft}; }
  &[open] > summary { margin-bottom: 8px; }
  &[open] > summary::after { content: '▴'; }
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
const SetNow = styled.p`
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
  > dl > div { display: contents; }
  dt { color: ${colour.inkSoft}; }
  > p { margin-top: 9px; font-size: 14px; color: ${colour.inkSoft}; }
`;
const Minutes = styled.p`
  padding-top: 8px;
  border-top: 1px dashed ${colour.edge};
  font-variant-numeric: tabular-nums;
`;

interface GaugeProps {
  readonly card: JobCard;
  readonly overview: CardOverview;
  readonly conclusion: ConclusionByNow;
}

/** The one next step in words, whoever has the say in it. */
function useNextStepText({ card, overview, conclusion }: GaugeProps): NextStepText {
  const { status } = useDiagnosis();
  const { move } = conclusion;
  const { isDoubtful } = useTrialAdvice(card, openTrial(card));
  // Where the belief has nothing left, or cannot be asked, the estimate's own order stands; not before, or the step
  // would change under a person's eyes.
  const isWaiting = overview.next.kind === 'choose-fix' && move === null && status === 'running';
  return useMemo(() => {
    if (isWaiting) return waitingStep;
    if (isDoubtful) return doubtStep;
    return (move && describeMove(move)) ?? describeNextStep(overview.next, card);
  }, [isWaiting, isDoubtful, move, overview, card]);
}

function RateBox({ card, overview, conclusion }: GaugeProps) {
  const nowMs = useNowMs();
  const { targetFps, reading, findings, isReadingInForce } = overview;
  const { stages } = useFrameTime(card, findings);
  const shownFps = reading?.shownFps ?? null;
  const { title, by } = describeNamedCause(conclusion.cause);
  // The findings hold the same bars, larger.
  const isShownBeside = usePathname().endsWith('/findings');
  return (
    <Box>
      <h2>
        {shownFps === null ? 'Preview expected' : isReadingInForce ? 'Preview now' : 'Preview at the last reading'}
      </h2>
      <Big data-range={shownFps === null || undefined}>
        {shownFps === null ? formatFpsRange(findings.shownFps) : formatRate(shownFps)}
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
        <span>usable: {formatRate(Math.ceil(usableRateRatio * targetFps * 10) / 10)}</span>
      </Ends>
      {reading?.scrubFeel && <Ends as="p">scrubbing: {scrubFeelTexts[reading.scrubFeel].label.toLowerCase()}</Ends>}
      <SetNow>set now: {listSetNow(card).join(', ')}</SetNow>
      {!isShownBeside && (
        <FrameBudget lanes={toBudgetLanes(stages)} budgetMs={findings.budgetMs} formatMs={formatMs} size="small" />
      )}
      <Cause aria-busy={conclusion.isOld}>
        <b>{title}</b>
        <small>
          {by}
          {conclusion.isOld && ' (of before the last change; being worked out again)'}
        </small>
      </Cause>
    </Box>
  );
}

function NextBox({
  card,
  next,
  isMeasured,
}: {
  readonly card: JobCard;
  readonly next: NextStepText;
  readonly isMeasured: boolean;
}) {
  const { status } = useDiagnosis();
  const { facts = [] } = next;
  const spentMinutes = useMemo(() => minutesSpent(card), [card]);
  const isOnStep = usePathname().endsWith(`/${next.stepId}`);
  const isHere = isOnStep && next.isStep;
  const following = stepAfter(next.stepId);
  const finishStep = useFinishStep(card.id);
  return (
    <Next aria-label="Next step" aria-busy={status === 'running'}>
      <h2>
        <Drop sizePx={16} /> Next step
      </h2>
      <h3>{next.title}</h3>
      {facts.length > 0 && (
        <dl>
          {facts.map((fact) => (
            <div key={fact.name}>
              <dt>{fact.name}</dt>
              <dd>{fact.value}</dd>
            </div>
          ))}
        </dl>
      )}
      {isHere && following ? (
        <Button variant="primary" isWide onPress={() => finishStep(next.stepId)}>
          Done here: on to {stepTexts[following].label.toLowerCase()}
        </Button>
      ) : (
        !isOnStep &&
        next.button !== '' && (
          <LinkButton variant="primary" isWide href={`/card/${encodeURIComponent(card.id)}/${next.stepId}`}>
            {next.button}
          </LinkButton>
        )
      )}
      <p>{next.why}</p>
      {isMeasured && !isHere && spentMinutes >= 1 && <Minutes>{describeMinutesSpent(spentMinutes)}</Minutes>}
    </Next>
  );
}

/** What is shown now against the target, the likely cause, and the one next step; the same on every step. */
export function Gauge(props: GaugeProps) {
  const { card, overview } = props;
  const next = useNextStepText(props);
  const isNarrow = useNarrow();
  const shownFps = overview.reading?.shownFps ?? null;
  const openLines = listPutBack(card).filter((line) => !line.isDone && !line.isOnlyALook);
  const parts = (
    <Parts>
      <RateBox {...props} />
      <NextBox card={card} next={next} isMeasured={overview.reading !== null} />
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
    </Parts>
  );
  return (
    <Aside aria-label="Gauge">
      {isNarrow ? (
        <Folded>
          <summary>
            <b>
              {shownFps === null ? `about ${formatFpsRange(overview.findings.shownFps)}` : formatRate(shownFps)} of{' '}
              {formatFps(overview.targetFps)}
            </b>
            <span>Next: {next.title}</span>
          </summary>
          {parts}
        </Folded>
      ) : (
        parts
      )}
    </Aside>
  );
}
