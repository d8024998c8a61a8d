'use client';

import { useRouter } from 'next/navigation';
import styled from 'styled-components';
import { type JobCard, openTrial, readingInForce } from '@/core/card';
import { usableRateRatio } from '@/core/usable';
import { formatChance } from '@/messages/diagnosis';
import { formatFps, formatFpsRange, formatMinutes, formatMs, formatWaitRange } from '@/messages/format';
import { describeSacrifice } from '@/messages/working';
import { Button } from '@/ui/Button';
import { FrameBudget } from '@/ui/FrameBudget';
import { Row, Soft } from '@/ui/layout';
import { FactList } from '@/ui/lists';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { useBeginTrial } from '../fixes/use-begin-trial';
import { useOpenCard } from '../shell/card/use-open-card';
import { toBudgetLanes } from '../shell/gauge/budget-lanes';
import type { WhatIfSet } from './use-what-if-set';

const Big = styled.p`
  font: 700 26px/1.2 ${font.heading};
  font-variant-numeric: tabular-nums;
  small { font: 500 16px ${font.text}; color: ${colour.inkSoft}; }
  s { color: ${colour.inkSoft}; font-weight: 500; text-decoration: none; }
  b[data-good] { color: ${colour.good}; }
`;

interface SetResultProps {
  readonly card: JobCard;
  readonly set: WhatIfSet;
  readonly targetFps: number;
}

/** What the chosen set would come to, and to use it: one change as a trial, several as a plan that is tried in order. */
export function SetResult({ card, set, targetFps }: SetResultProps) {
  const { run } = useOpenCard();
  const begin = useBeginTrial();
  const router = useRouter();
  const { before, after, added, isChanged } = set;
  const [only] = added;
  const isOne = added.length === 1;
  const canTry = openTrial(card) === null && readingInForce(card) !== null && card.workingSetId === null;
  const use = () => {
    const isUsed = isOne && only ? begin(only) : run({ type: 'choosePlan', input: { fixes: added } }).ok;
    if (isUsed) router.push(`/card/${encodeURIComponent(card.id)}/fixes`);
  };
  return (
    <Sheet
      title={isChanged ? 'With the set below' : 'As it is now'}
      aside={
        isChanged ? (
          <Button variant="quiet" onPress={set.reset}>
            Back to how it is
          </Button>
        ) : (
          'choose below; nothing on the card changes'
        )
      }
    >
      <div role="status">
        <Big>
          {isChanged && <s>{formatFpsRange(before.shownFps)} → </s>}
          <b data-good={after.shownFps.mid >= usableRateRatio * targetFps || undefined}>
            {formatFpsRange(after.shownFps)}
          </b>{' '}
          <small>of {formatFps(targetFps)} a second</small>
        </Big>
        <FactList $nameWidth="90px" $abovePx={8} $belowPx={12}>
          <dt>moving the playhead</dt>
          <dd>
            {isChanged && <Soft>{formatWaitRange(before.scrubMs)} → </Soft>}
            {formatWaitRange(after.scrubMs)}
          </dd>
          <dt>usable</dt>
          <dd>{formatChance(after.usableProbability)}</dd>
          <dt>gives up</dt>
          <dd>{describeSacrifice(after.sacrifice)}</dd>
          {added.length > 0 && (
            <>
              <dt>takes</dt>
              <dd>{formatMinutes(after.minutes)}</dd>
            </>
          )}
        </FactList>
      </div>
      <FrameBudget lanes={toBudgetLanes(after.stages)} budgetMs={1000 / targetFps} formatMs={formatMs} />
      {added.length > 0 && (
        <Row>
          <Button variant="primary" onPress={use} isDisabled={isOne && !canTry}>
            {isOne ? 'Use as a trial' : `Use as a plan: ${added.length} trials in order`}
          </Button>
          {isOne && !canTry && <Soft>A trial needs a reading of how it is now, and no other trial under way.</Soft>}
        </Row>
      )}
    </Sheet>
  );
}
