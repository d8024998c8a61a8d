'use client';

import styled from 'styled-components';
import type { FixUse, JobCard } from '@/core/card';
import { keptState } from '@/core/diagnose';
import { findFix, leastGain, type RankedFix } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { describePutBackTime } from '@/messages/fixes';
import { formatFpsRange } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { FactList } from '@/ui/lists';
import { colour, font } from '@/ui/tokens';
import { FixSteps } from '../looks/FixSteps';
import { describeFixFacts } from '../shell/answer/fix-facts';
import { WorkFact } from './WorkFact';

const Box = styled.article`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 16px;
  padding: 12px 0;
  border-top: 1px solid ${colour.line};
  &:first-of-type { border-top: 0; }
  h3 { font: 650 17px/1.25 ${font.heading}; }
  > details { grid-column: 1 / -1; }
`;

const OtherWay = styled.p`
  font-size: 15px;
  color: ${colour.inkSoft};
  > b { color: ${colour.ink}; font-weight: 650; }
`;
const Tries = styled.div`
  display: grid;
  gap: 6px;
  align-content: start;
`;
const Idle = styled.p`
  font-size: 15px;
  color: ${colour.inkSoft};
`;

/** What the button of the first way says, and that of any other. */
const tryWords = (i: number): string => (i === 0 ? 'Try this' : 'Try the other');

interface FixCardProps {
  readonly card: JobCard;
  readonly ranked: RankedFix;
  /** Other fixes that come to the very same. */
  readonly otherWays: readonly RankedFix[];
  readonly canTry: boolean;
  readonly onTry: (fix: FixUse) => void;
}

/** One fix: what it should bring, takes and costs, and how to do it. */
export function FixCard({ card, ranked, otherWays, canTry, onTry }: FixCardProps) {
  const fix = findFix(ranked.id);
  const putBack = fix?.putBack ?? null;
  const work = fix?.work?.(keptState(card), ranked.level) ?? null;
  const title = fixTitle(ranked.id, ranked.level);
  const isIdle = ranked.gain < leastGain;
  const facts = (
    <FactList $nameWidth="62px" $isSmall>
      {describeFixFacts(ranked).map((fact) => (
        <div key={fact.name}>
          <dt>{fact.name}</dt>
          <dd>{fact.value}</dd>
        </div>
      ))}
      <WorkFact work={work} />
      {putBack && (
        <>
          <dt>put back</dt>
          <dd>{describePutBackTime(putBack)}</dd>
        </>
      )}
    </FactList>
  );
  return (
    <Box>
      <div>
        <h3>{title}</h3>
        {otherWays.map((way) => (
          <OtherWay key={way.id}>
            or, to the same effect: <b>{fixTitle(way.id, way.level)}</b>
          </OtherWay>
        ))}
        {!isIdle && facts}
        {isIdle && <Idle>{formatFpsRange(ranked.after.shownFps)} a second, as now</Idle>}
      </div>
      <Tries>
        {[ranked, ...otherWays].map(({ id, level }, i) => (
          <Button
            key={id}
            isDisabled={!canTry}
            onPress={() => onTry({ id, level })}
            aria-label={`${tryWords(i)}: ${fixTitle(id, level)}`}
          >
            {tryWords(i)}
          </Button>
        ))}
      </Tries>
      <Disclosure label="How">
        {isIdle && facts}
        <FixSteps fixId={ranked.id} level={ranked.level} />
      </Disclosure>
      {otherWays.map((way) => (
        <Disclosure key={way.id} label={`How: ${fixTitle(way.id, way.level).toLowerCase()}`}>
          <FixSteps fixId={way.id} level={way.level} />
        </Disclosure>
      ))}
    </Box>
  );
}
