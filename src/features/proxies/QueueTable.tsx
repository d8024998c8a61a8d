'use client';

import { ArrowDown, ArrowUp, Check, Pause, Play, Square, TriangleAlert } from 'lucide-react';
import { useState, useSyncExternalStore } from 'react';
import { emptyQueue, isOver, type QueueItem, summarizeQueue } from '@/core/proxies';
import { formatRate } from '@/messages/format';
import { describeSecondsLeft, describeStage } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Row, Soft, Spaced } from '@/ui/layout';
import { SecondLine } from '@/ui/SecondLine';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useHasHelper } from '../shell/card/helper-context';
import { proxySession } from './proxy-session';
import { useHoldWhileBusy } from './use-hold-while-busy';

/** The queue as it is now, on whichever screen. */
export const useProxyQueue = () =>
  useSyncExternalStore(proxySession.subscribe, proxySession.getSnapshot, () => emptyQueue);

const isWrong = ({ stage, check }: QueueItem): boolean => stage === 'failed' || check?.isGood === false;

function QueueRow({ item, canMove }: { readonly item: QueueItem; readonly canMove: boolean }) {
  const { clipId, fileName, proxyName, stage, progress, frameTotal, check } = item;
  return (
    <tr>
      <td>
        {stage === 'made' && check?.isGood && <Check size={18} color={colour.good} aria-label="made and fine" />}
        {isWrong(item) && <TriangleAlert size={18} color={colour.alarm} aria-label="something is wrong" />}
      </td>
      <th scope="row">
        {proxyName}
        <SecondLine>of {fileName}</SecondLine>
      </th>
      <td>
        {stage === 'making' && (
          <progress aria-label={`Making ${proxyName}`} max={frameTotal} value={progress?.frameCount ?? 0} />
        )}
        {describeStage(item)}
      </td>
      <td>
        <Row $isOneLine $isClose>
          {stage === 'waiting' && canMove && (
            <>
              <Button
                variant="quiet"
                aria-label={`Make ${proxyName} sooner`}
                onPress={() => proxySession.move(clipId, -1)}
              >
                <ArrowUp size={16} aria-hidden="true" />
              </Button>
              <Button
                variant="quiet"
                aria-label={`Make ${proxyName} later`}
                onPress={() => proxySession.move(clipId, 1)}
              >
                <ArrowDown size={16} aria-hidden="true" />
              </Button>
            </>
          )}
          {!isOver(item) && (
            <Button variant="quiet" aria-label={`Leave out ${proxyName}`} onPress={() => proxySession.stop(clipId)}>
              <Square size={15} aria-hidden="true" />
            </Button>
          )}
        </Row>
      </td>
    </tr>
  );
}

/** What is being made: each clip and all of them, to be held, put in another order and stopped. */
export function QueueTable() {
  const queue = useProxyQueue();
  const hasHelper = useHasHelper();
  const [isYielding, setYielding] = useState(false);
  const isBusy = queue.items.some((item) => !isOver(item));
  const isHeldForOthers = useHoldWhileBusy(isYielding && isBusy);
  const { items, isPaused } = queue;
  if (items.length === 0) return null;
  const { doneCount, totalCount, framesPerSec, secondsLeft, frameCount, frameTotal } = summarizeQueue(queue);
  const isDone = doneCount === totalCount;
  const waitingCount = items.filter(({ stage }) => stage === 'waiting').length;
  const wrongCount = items.filter(isWrong).length;
  return (
    <Sheet
      title={isDone ? 'Made' : isHeldForOthers ? 'Held while you edit' : isPaused ? 'Held' : 'Being made'}
      kind={isDone ? 'plain' : 'next'}
      aside={
        isDone
          ? `${totalCount - wrongCount} of ${totalCount} are fine`
          : `${doneCount} of ${totalCount} done${framesPerSec ? `, ${formatRate(framesPerSec)} frames a second` : ''}${
              secondsLeft !== null && !isPaused ? `, ${describeSecondsLeft(secondsLeft)}` : ''
            }`
      }
    >
      {!isDone && (
        <>
          <progress aria-label="All proxies" max={Math.max(1, frameTotal)} value={frameCount} />
          <Row>
            <Button onPress={() => proxySession.setPaused(!isPaused)}>
              {isPaused ? <Play size={16} aria-hidden="true" /> : <Pause size={16} aria-hidden="true" />}
              {isPaused ? 'Go on' : 'Hold'}
            </Button>
            <Button onPress={() => proxySession.stop(null)}>
              <Square size={15} aria-hidden="true" /> Stop all
            </Button>
            {hasHelper && (
              <CheckField isSelected={isYielding} onChange={setYielding}>
                Not while I edit
              </CheckField>
            )}
            <Soft>Go to any other page meanwhile; this tab must stay open.</Soft>
          </Row>
        </>
      )}
      <Spaced $abovePx={12}>
        <TableFrame>
          <DataTable aria-label="Proxies of this round">
            <tbody>
              {items.map((item) => (
                <QueueRow key={item.clipId} item={item} canMove={waitingCount > 1} />
              ))}
            </tbody>
          </DataTable>
        </TableFrame>
      </Spaced>
      {isDone && (
        <Button variant="quiet" onPress={() => proxySession.clear()}>
          Put this list away
        </Button>
      )}
    </Sheet>
  );
}
