'use client';

import Link from 'next/link';
import { lazy, Suspense, useMemo } from 'react';
import styled from 'styled-components';
import type { KnownAnswer } from '@/adapters/browser/card-store';
import { type JobCard, listSteps, type StepId } from '@/core/card';
import { isBelieversStep, type NextStep } from '@/core/diagnose/moves/next-step';
import { type CardGlance, glanceAtCard } from '@/core/diagnose/overview/glance';
import { usableRateRatio } from '@/core/usable/limits';
import { formatCount, formatFps, formatRate } from '@/messages/format';
import { describeNamedCause } from '@/messages/named-cause';
import { Button } from '@/ui/Button';
import { Drop } from '@/ui/Drop';
import { RateScale } from '@/ui/RateScale';
import { colour, font } from '@/ui/tokens';
import { useExportCard } from '../shell/card/use-export-card';
import { stepVerbs } from '../shell/rail/step-verbs';

const Paper = styled.li`
  position: relative;
  display: flex;
  flex-direction: column;
  padding: 30px 18px 10px;
  background: ${colour.card};
  border: 1px solid ${colour.line};
  border-radius: 8px;
  h2 { font-size: inherit; }
  /* The hole by which the card hangs on its nail. */
  &::before { content: ''; position: absolute; top: 10px; left: 50%; width: 12px; height: 12px; margin-left: -6px; border-radius: 50%; background: ${colour.paper}; border: 1px solid ${colour.line}; }
`;
const Title = styled(Link)`
  font: 650 20px/1.2 ${font.heading};
  color: ${colour.ink};
  text-decoration: none;
  overflow-wrap: anywhere;
  &:hover { text-decoration: underline; }
`;
const Rate = styled.p`
  display: flex;
  align-items: baseline;
  flex-wrap: wrap;
  gap: 0 8px;
  margin-top: 12px;
  font: 700 34px/1.1 ${font.heading};
  letter-spacing: -0.02em;
  > small { font: 15px ${font.text}; letter-spacing: 0; color: ${colour.inkSoft}; }
`;
const Facts = styled.dl`
  display: grid;
  grid-template-columns: 54px 1fr;
  gap: 4px 10px;
  margin: 10px 0 14px;
  font-size: 15px;
  dt { color: ${colour.inkSoft}; }
  .next { display: flex; gap: 5px; font-weight: 650; color: ${colour.oilInk}; }
  svg { flex: none; margin-top: 2px; }
`;
/** The line of oil: how far the job has come. */
const OilLine = styled.div`
  height: 4px;
  margin-top: auto;
  border-radius: 2px;
  background: ${colour.line};
  > i { display: block; height: 4px; border-radius: 2px; background: ${colour.oil}; }
`;
const Foot = styled.div`
  display: flex;
  align-items: center;
  gap: 2px;
  margin: 6px -8px 0;
  > span { flex: 1; padding-left: 8px; font-size: 13.5px; color: ${colour.inkSoft}; }
`;

const MoveTitle = lazy(() => import('./MoveTitle'));

/** What is to be done next, and at which step. */
function describeNext(next: NextStep): { readonly title: string; readonly stepId: StepId } {
  switch (next.kind) {
    case 'finish-trial':
      return { title: 'Finish the trial', stepId: 'fixes' };
    case 'take-reading':
      return { title: 'Take a reading', stepId: 'fixes' };
    case 'choose-fix':
      return { title: stepVerbs.fixes, stepId: 'fixes' };
    case 'put-back':
      return { title: 'Edit; put back before export', stepId: 'export-check' };
    case 'export':
      return { title: 'Ready to export', stepId: 'export-check' };
    case 'do-step':
      return { title: stepVerbs[next.stepId], stepId: next.stepId };
  }
}

/** Usable, being worked on, or the cause that is named on every page of the card. */
function describeState({ isUsable, fixCount }: CardGlance, answer: KnownAnswer | null): string {
  if (isUsable) return 'Usable now';
  if (!answer) return 'Being worked out…';
  const { title, by } = describeNamedCause(answer.summary.cause);
  const isOld = answer.isFresh ? '' : ' (of before the last change)';
  const work = fixCount > 0 ? `; ${formatCount(fixCount, 'fix', 'fixes')} in force` : '';
  return answer.summary.cause.kind === 'unknown' ? title : `${title}: ${by}${isOld}${work}`;
}

interface CardSummaryProps {
  readonly card: JobCard;
  /** What was concluded of it last, or null where nothing is yet. */
  readonly answer: KnownAnswer | null;
  readonly onDelete: () => void;
}

/** One job card on the wall: rate against target, cause, next step, and how far the job has come. */
export function CardSummary({ card, answer, onDelete }: CardSummaryProps) {
  const exportCard = useExportCard();
  const glance = useMemo(() => glanceAtCard(card), [card]);
  const { reading, targetFps } = glance;
  const next = describeNext(glance.next);
  const move = isBelieversStep(glance.next) ? (answer?.summary.move ?? null) : null;
  const steps = listSteps(card);
  const doneCount = steps.filter((step) => step.isDone).length;
  const shownFps = reading?.shownFps ?? null;
  return (
    <Paper>
      <h2>
        <Title href={`/card/${encodeURIComponent(card.id)}/${next.stepId}`} prefetch={false}>
          {card.title}
        </Title>
      </h2>
      <Rate>
        {shownFps !== null ? formatRate(shownFps) : '–'}
        <small>
          of {formatFps(targetFps)} frames a second{shownFps === null ? ', not read yet' : ''}
        </small>
      </Rate>
      <RateScale targetFps={targetFps} usableFps={usableRateRatio * targetFps} shownFps={shownFps} />
      <Facts>
        <dt>{glance.isUsable ? 'State' : 'Cause'}</dt>
        <dd aria-busy={answer?.isFresh === false}>{describeState(glance, answer)}</dd>
        <dt>Next</dt>
        <dd className="next">
          <Drop sizePx={16} />
          {move ? (
            <Suspense fallback={next.title}>
              <MoveTitle move={move} instead={next.title} />
            </Suspense>
          ) : (
            next.title
          )}
        </dd>
      </Facts>
      <OilLine aria-hidden="true">
        <i style={{ width: `${(100 * doneCount) / steps.length}%` }} />
      </OilLine>
      <Foot>
        <span>
          {doneCount} of {steps.length} steps
        </span>
        <Button variant="quiet" aria-label={`Export ${card.title}`} onPress={() => exportCard(card)}>
          Export
        </Button>
        <Button variant="danger" aria-label={`Delete ${card.title}`} onPress={onDelete}>
          Delete
        </Button>
      </Foot>
    </Paper>
  );
}
