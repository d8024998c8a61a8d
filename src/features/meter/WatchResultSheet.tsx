'use client';

import { useRouter } from 'next/navigation';
import styled from 'styled-components';
import { createReading } from '@/core/card';
import { mergeStretches, watchedSetups } from '@/core/meter';
import { toMeasuredReading } from '@/core/readings';
import { formatRate } from '@/messages/format';
import { describeOwnLoad } from '@/messages/meter';
import {
  describeLeftOut,
  describeSetup,
  describeSide,
  describeSpan,
  describeStep,
  describeWatchAdvice,
  describeWatchVerdict,
} from '@/messages/watch';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Disclosure } from '@/ui/Disclosure';
import { Row, Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { font } from '@/ui/tokens';
import { firstDetails } from '../readings/reading-details';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';
import type { WatchedFix, WatchOutcome } from './use-watch';

const Verdict = styled.p`
  font: 700 30px/1.2 ${font.heading};
  margin-bottom: 2px;
`;

const Sides = styled.ul`
  margin: 10px 0 12px;
`;
const Step = styled.td`
  white-space: nowrap;
`;

interface WatchResultSheetProps {
  readonly outcome: WatchOutcome;
  readonly fix: WatchedFix;
  readonly onAgain: () => void;
}

/** Whether switching the setting changed anything, by how much at least, and the way to keep it as a trial. */
export function WatchResultSheet({ outcome, fix, onAgain }: WatchResultSheetProps) {
  const { stretches, leftOutCount, verdict, startMs, ownLoadRatio } = outcome;
  const { card, run } = useOpenCard();
  const router = useRouter();
  const notify = useNotify();
  const sides = watchedSetups.flatMap((setup) => {
    const own = stretches.filter((stretch) => stretch.setup === setup);
    return own.length === 0 ? [] : [{ setup, count: own.length, result: mergeStretches(own) }];
  });
  const [before, after] = sides;
  const readingOf = ({ count, result }: (typeof sides)[number]) =>
    createReading({
      id: crypto.randomUUID(),
      takenAtMs: Date.now(),
      how: 'metered',
      doing: 'playing',
      stretch: firstDetails(card).stretch,
      viewer: 'timeline',
      note: `Watched live, ${count === 1 ? 'one stretch' : `${count} stretches`}`,
      shownFps: Math.round(result.shownFps * 100) / 100,
      measured: toMeasuredReading(result, { source: 'window', pace: 'unknown', ownLoadRatio }),
    });
  const keep =
    before && after && fix
      ? () => {
          const kept = run({
            type: 'keepWatched',
            input: {
              trialId: crypto.randomUUID(),
              fix,
              before: readingOf(before),
              after: readingOf(after),
              nowMs: Date.now(),
            },
          });
          if (!kept.ok) return;
          notify({ kind: 'info', text: 'Stored: two readings and their trial. Keep the change or undo it.' });
          router.push(`/card/${encodeURIComponent(card.id)}/fixes`);
        }
      : null;
  return (
    <Sheet title="What switching changed" aside={describeOwnLoad(ownLoadRatio)}>
      <Verdict>{describeWatchVerdict(verdict)}</Verdict>
      <Soft>{describeWatchAdvice(verdict)}</Soft>
      <Sides>
        {sides.map(({ setup, result, count }) => (
          <li key={setup}>{describeSide(result.shownFps, setup, fix, count)}</li>
        ))}
      </Sides>
      <Row $belowPx={10}>
        {keep && (
          <Button variant="primary" onPress={keep}>
            Keep it as a trial
          </Button>
        )}
        <Button variant={keep ? 'plain' : 'primary'} onPress={onAgain}>
          Watch once more
        </Button>
      </Row>
      {stretches.length > 0 && (
        <Disclosure label={`Stretch by stretch (${stretches.length})`}>
          <TableFrame>
            <DataTable>
              <thead>
                <tr>
                  <th scope="col">From the beginning</th>
                  <th scope="col">Set-up</th>
                  <th scope="col" data-figure>
                    Shown a second
                  </th>
                  <th scope="col">Against the one before</th>
                </tr>
              </thead>
              <tbody>
                {stretches.map((stretch, i) => (
                  <tr key={stretch.fromMs}>
                    <th scope="row">{describeSpan(stretch, startMs)}</th>
                    <td>{describeSetup(stretch.setup, fix)}</td>
                    <td data-figure>{formatRate(stretch.result.shownFps)}</td>
                    <Step>{describeStep(verdict.steps[i] ?? null)}</Step>
                  </tr>
                ))}
              </tbody>
            </DataTable>
          </TableFrame>
          <Soft>{describeLeftOut(leftOutCount)}</Soft>
        </Disclosure>
      )}
      {stretches.length === 0 && <Soft>{describeLeftOut(leftOutCount)}</Soft>}
    </Sheet>
  );
}
