'use client';

import { useDeferredValue, useMemo } from 'react';
import styled from 'styled-components';
import { forecastUnder } from '@/core/belief';
import { type FixUse, type JobCard, keptFixes, type Trial } from '@/core/card';
import { type Diagnosis, findStronger, keptState, type NextMove } from '@/core/diagnose';
import { findFix } from '@/core/fixes';
import { formatChance } from '@/messages/diagnosis';
import { fixTitle } from '@/messages/fix-titles';
import { describeEffort, describePutBackTime, fixTexts, giveBackSteps } from '@/messages/fixes';
import { formatFpsRange, formatWaitRange } from '@/messages/format';
import { describeMoveReason, describeStronger } from '@/messages/loop';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Row } from '@/ui/layout';
import { FactList, NumberedList } from '@/ui/lists';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { AnyLook } from '../looks/AnyLook';
import { FixSteps } from '../looks/FixSteps';
import { useOpenCard } from '../shell/card/use-open-card';
import { AttachQuestion } from './AttachQuestion';
import { ComesFirst } from './ComesFirst';
import { WorkFact } from './WorkFact';

const Why = styled.p`
  margin-bottom: 10px;
`;

interface NextStepSheetProps {
  readonly card: JobCard;
  readonly diagnosis: Diagnosis;
  readonly move: Exclude<NextMove, { readonly kind: 'nothing-left' }>;
  readonly canTry: boolean;
  readonly onTry: (fix: FixUse, direction?: Trial['direction']) => void;
}

/** What a fix should bring, takes, costs and leaves to put back, by all that is believed of this card. */
function FixFacts({ card, diagnosis, fix }: Pick<NextStepSheetProps, 'card' | 'diagnosis'> & { readonly fix: FixUse }) {
  const { after, minutes, work } = useMemo(() => {
    const known = findFix(fix.id);
    const state = keptState(card);
    return {
      after: forecastUnder(diagnosis.posterior, [...keptFixes(card), fix]),
      minutes: known?.effortMinutes(state, fix.level) ?? 0,
      work: known?.work?.(state, fix.level) ?? null,
    };
  }, [card, diagnosis, fix]);
  const known = findFix(fix.id);
  if (!known) return null;
  return (
    <FactList $nameWidth="76px" $belowPx={12}>
      <dt>brings</dt>
      <dd>
        <b>{formatFpsRange(after.shownFps)} a second</b>, a move of the playhead in {formatWaitRange(after.scrubMs)},
        usable {formatChance(after.usableProbability)}
      </dd>
      <dt>takes</dt>
      <dd>{describeEffort(minutes, known.requires)}</dd>
      <WorkFact work={work} />
      <dt>costs</dt>
      <dd>{fixTexts[known.id].cost}</dd>
      <dt>put back</dt>
      <dd>{known.putBack ? describePutBackTime(known.putBack) : 'nothing'}</dd>
    </FactList>
  );
}

/** Other fixes that come to the very same. */
function OtherWays({
  ways,
  canTry,
  onTry,
}: Pick<NextStepSheetProps, 'canTry' | 'onTry'> & { readonly ways: readonly FixUse[] }) {
  return ways.map((way) => {
    const title = fixTitle(way.id, way.level);
    return (
      <Why key={way.id}>
        Or, to the same effect: {title}.{' '}
        <Button variant="quiet" isDisabled={!canTry} onPress={() => onTry(way)} aria-label={`Try that: ${title}`}>
          Try that
        </Button>
      </Why>
    );
  });
}

/** Where something else in reach would do more by the figures of this very page: why it is not the one to begin with. */
function WhyNotFirst({
  card,
  diagnosis,
  fix,
}: Pick<NextStepSheetProps, 'card' | 'diagnosis'> & { readonly fix: FixUse }) {
  const settled = useDeferredValue(card);
  const stronger = useMemo(() => findStronger(settled, diagnosis.posterior, fix), [settled, diagnosis, fix]);
  return stronger && <Why>{describeStronger(stronger)}</Why>;
}

/** The one step that is worth most now: why, how, what it brings and costs, and to begin it or refuse it. */
export function NextStepSheet({ card, diagnosis, move, canTry, onTry }: NextStepSheetProps) {
  const { run } = useOpenCard();
  if (move.kind === 'ask')
    return (
      <Sheet title="Next: a quick look" kind="next" aside={describeMoveReason(move)}>
        <AnyLook card={card} test={move.test} />
      </Sheet>
    );
  const { fix } = move;
  const known = findFix(fix.id);
  const title = fixTitle(fix.id, fix.level);
  if (!known) return null;
  if (move.kind === 'give-back')
    return (
      <Sheet title={`Next: give back “${title}”`} kind="next">
        <Why>{describeMoveReason(move)}</Why>
        <NumberedList $belowPx={12}>
          {giveBackSteps(known.id, fix.level).map((step) => (
            <li key={step}>{step}</li>
          ))}
        </NumberedList>
        <Row>
          <Button variant="primary" isDisabled={!canTry} onPress={() => onTry(fix, 'give-back')}>
            Try without it
          </Button>
        </Row>
      </Sheet>
    );
  return (
    <Sheet title={`Next: ${title}`} kind="next">
      <Why>{describeMoveReason(move)}</Why>
      {!canTry && <Note>Take a reading of how it is now first: without one there is nothing to compare with.</Note>}
      <Row $abovePx={10} $belowPx={12}>
        <Button variant="primary" isDisabled={!canTry} onPress={() => onTry(fix)} aria-label={`Try this: ${title}`}>
          Try this
        </Button>
        {move.kind !== 'ease' && (
          <Button onPress={() => run({ type: 'setEditorLacks', input: { fixId: fix.id, isLacking: true } })}>
            My editor has no such thing
          </Button>
        )}
        <Button
          variant="quiet"
          onPress={() => run({ type: 'refuseTest', input: { test: { id: fix.id, level: fix.level } } })}
        >
          Not now
        </Button>
      </Row>
      <FixFacts card={card} diagnosis={diagnosis} fix={fix} />
      {'otherWays' in move && <OtherWays ways={move.otherWays} canTry={canTry} onTry={onTry} />}
      {move.kind !== 'ease' && <WhyNotFirst card={card} diagnosis={diagnosis} fix={fix} />}
      <Disclosure label="How it is done">
        <ComesFirst fix={known} />
        <AttachQuestion card={card} fixId={known.id} />
        <FixSteps fixId={known.id} level={fix.level} />
      </Disclosure>
    </Sheet>
  );
}
