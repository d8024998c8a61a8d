'use client';

import Link from 'next/link';
import { useMemo } from 'react';
import styled from 'styled-components';
import { type JobCard, listSteps, type StepId } from '@/core/card';
import { type CardGlance, glanceAtCard } from '@/core/diagnose/glance';
import { usableRateRatio } from '@/core/load/usable';
import { causeTitles } from '@/messages/cause-titles';
import { formatCount, formatFps } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Drop } from '@/ui/Drop';
import { RateScale } from '@/ui/RateScale';
import { colour, font } from '@/ui/tokens';
import { exportCard } from '../shell/export-card';
import { stepVerbs } from '../shell/step-verbs';

const Paper = styled.li`
  position: relative;
  display: flex;
  flex-direction: column;
  padding: 30px 18px 10px;
  background: ${colour.card};
  border: 1px solid ${colour.line};
  border-radius: 8px;
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

/** What is to be done next, and at which step. */
function describeNext(next: CardGlance['next']): { readonly title: string; readonly stepId: StepId } {
  switch (next.kind) {
    case 'trial':
      return { title: 'Finish the trial', stepId: 'fixes' };
    case 'export':
      return { title: 'Ready to export', stepId: 'export-check' };
    case 'step':
      return { title: stepVerbs[next.stepId], stepId: next.stepId };
  }
}

/** Usable, being worked on, or what the estimate says that it is. */
function describeState({ isUsable, fixCount, roughCause }: CardGlance): string {
  if (isUsable) return 'Usable now';
  if (fixCount > 0) return `Being worked on: ${formatCount(fixCount, 'fix', 'fixes')} in force`;
  return roughCause ? causeTitles[roughCause] : 'None in sight';
}

interface CardSummaryProps {
  readonly card: JobCard;
  readonly onExported: () => void;
  readonly onDelete: () => void;
}

/** One job card on the wall: rate against target, cause, next step, and how far the job has come. */
export function CardSummary({ card, onExported, onDelete }: CardSummaryProps) {
  const glance = useMemo(() => glanceAtCard(card), [card]);
  const { reading, targetFps, expectedFps } = glance;
  const next = describeNext(glance.next);
  const steps = listSteps(card);
  const doneCount = steps.filter((step) => step.isDone).length;
  const shownFps = reading?.shownFps ?? null;
  return (
    <Paper>
      <h2 style={{ fontSize: 'inherit' }}>
        <Title href={`/card/${encodeURIComponent(card.id)}/${next.stepId}`} prefetch={false}>
          {card.title}
        </Title>
      </h2>
      <Rate>
        {shownFps !== null
          ? formatFps(shownFps)
          : expectedFps !== null
            ? `about ${formatFps(Math.round(expectedFps))}`
            : '–'}
        <small>
          of {formatFps(targetFps)} frames a second{shownFps === null ? ', estimated' : ''}
        </small>
      </Rate>
      <RateScale targetFps={targetFps} usableFps={usableRateRatio * targetFps} shownFps={shownFps} />
      <Facts>
        <dt>{glance.isUsable || glance.fixCount > 0 ? 'State' : 'Cause'}</dt>
        <dd>{describeState(glance)}</dd>
        <dt>Next</dt>
        <dd className="next">
          <Drop sizePx={16} /> {next.title}
        </dd>
      </Facts>
      <OilLine aria-hidden="true">
        <i style={{ width: `${(100 * doneCount) / steps.length}%` }} />
      </OilLine>
      <Foot>
        <span>
          {doneCount} of {steps.length} steps
        </span>
        <Button
          look="quiet"
          aria-label={`Export ${card.title}`}
          onPress={() => {
            exportCard(card);
            onExported();
          }}
        >
          Export
        </Button>
        <Button look="danger" aria-label={`Delete ${card.title}`} onPress={onDelete}>
          Delete
        </Button>
      </Foot>
    </Paper>
  );
}
