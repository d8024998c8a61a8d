'use client';

import styled from 'styled-components';
import { adviseTrial, findReading, type Trial } from '@/core/card';
import { findFix } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { formatFps } from '@/messages/format';
import { describeAdvice, scrubFeelTexts } from '@/messages/interview';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { ReadingForm } from '../readings/ReadingForm';
import { useOpenCard } from '../shell/use-open-card';
import { FixSteps } from './FixSteps';

const Part = styled.div`
  padding: 12px 0;
  border-top: 1px dashed ${colour.edge};
  &:first-of-type { border-top: 0; padding-top: 0; }
  h3 { font: 650 16px/1.3 ${font.text}; margin-bottom: 6px; }
`;
const Compared = styled.p`
  font-size: 18px;
  margin-bottom: 4px;
`;

/** The trial under way: do it, measure it, keep it or undo it. */
export function TrialSheet({ trial }: { readonly trial: Trial }) {
  const { card, run } = useOpenCard();
  const before = findReading(card, trial.beforeReadingId);
  const after = findReading(card, trial.afterReadingId);
  const known = findFix(trial.fix.id);
  const advice = before && after ? adviseTrial(before, after) : null;
  const end = (outcome: 'kept' | 'undone') =>
    run({ type: 'endTrial', input: { id: trial.id, outcome, nowMs: Date.now() } });
  const shouldKeep = advice === 'keep';
  return (
    <Sheet title={`On trial: ${fixTitle(trial.fix.id, trial.fix.level)}`} kind="next">
      <Part>
        <h3>1. Make the change</h3>
        {known?.requires.includes('save') && <p>Save the project first.</p>}
        {known && <FixSteps fixId={known.id} level={trial.fix.level} />}
      </Part>
      <Part>
        <h3>2. Play the same stretch and type what you see</h3>
        {after === null ? (
          <ReadingForm buttonLabel="Store the second reading" />
        ) : (
          <Compared>
            {before?.shownFps != null && after.shownFps !== null && (
              <>
                {formatFps(before.shownFps)} → <b>{formatFps(after.shownFps)}</b> a second{' '}
              </>
            )}
            {before?.scrubFeel && after.scrubFeel && (
              <>
                scrubbing {scrubFeelTexts[before.scrubFeel].label.toLowerCase()} →{' '}
                <b>{scrubFeelTexts[after.scrubFeel].label.toLowerCase()}</b>
              </>
            )}
          </Compared>
        )}
      </Part>
      <Part>
        <h3>3. Keep it or undo it</h3>
        {advice ? (
          <p style={{ marginBottom: 10 }}>
            <b>{describeAdvice(advice).label}.</b> {describeAdvice(advice).why}
          </p>
        ) : (
          <p style={{ marginBottom: 10 }}>After the second reading. You can give the trial up at any time.</p>
        )}
        <Row>
          <Button look={shouldKeep ? 'primary' : 'plain'} isDisabled={after === null} onPress={() => end('kept')}>
            Keep it
          </Button>
          <Button look={advice && !shouldKeep ? 'primary' : 'plain'} onPress={() => end('undone')}>
            {after === null ? 'Give up this trial' : 'Undo it'}
          </Button>
        </Row>
      </Part>
    </Sheet>
  );
}
