'use client';

import styled from 'styled-components';
import { findReading, keptTrials, type Trial } from '@/core/card';
import { fixTitle } from '@/messages/fix-titles';
import { formatRate } from '@/messages/format';
import { trialStampTexts } from '@/messages/loop';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { Stamp } from '@/ui/Stamp';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';

const Item = styled.li`
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; }
  &[data-undone] .title { text-decoration: line-through; color: ${colour.inkSoft}; }
  @media (max-width: 600px) { grid-template-columns: 88px minmax(0, 1fr); }
`;

const titleOf = ({ fix, direction }: Trial): string =>
  `${direction === 'give-back' ? 'Without: ' : ''}${fixTitle(fix.id, fix.level)}`;

/** Every trial of the card: kept ones stamped, undone ones struck through and still legible. */
export function TrialHistory() {
  const { card, run } = useOpenCard();
  if (card.trials.length === 0) return null;
  const inForce = new Set(keptTrials(card).map(({ id }) => id));
  const rateOf = (trial: Trial): string => {
    const before = findReading(card, trial.beforeReadingId)?.shownFps;
    const after = findReading(card, trial.afterReadingId)?.shownFps;
    return before != null && after != null ? `${formatRate(before)} → ${formatRate(after)} a second` : '';
  };
  return (
    <Sheet title="Trials on this card">
      <ul>
        {card.trials.map((trial) => (
          <Item key={trial.id} data-undone={trial.status === 'undone' || trial.status === 'abandoned' || undefined}>
            <span>
              <Stamp data-kind={trial.status}>
                {trial.status === 'kept' && trial.direction === 'give-back'
                  ? 'given back'
                  : trialStampTexts[trial.status]}
              </Stamp>
            </span>
            <span className="title">{titleOf(trial)}</span>
            <span>{rateOf(trial)}</span>
            {inForce.has(trial.id) && (
              <Button
                variant="quiet"
                aria-label={`Undo now: ${titleOf(trial)}`}
                onPress={() => run({ type: 'undoKeptTrial', input: { id: trial.id, nowMs: Date.now() } })}
              >
                Undo now
              </Button>
            )}
          </Item>
        ))}
      </ul>
    </Sheet>
  );
}
