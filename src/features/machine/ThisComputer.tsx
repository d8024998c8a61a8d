'use client';

import { Square } from 'lucide-react';
import { useState } from 'react';
import { readDecodeTable } from '@/adapters/browser/read-decode-table';
import type { JobCard } from '@/core/card';
import { compareParts, factsOfMachine, type PartChange, yearOfDecoding } from '@/core/machine';
import { isDisturbed, type MachineTest, slowsUnderLoad } from '@/core/machine-test';
import { formatAgo, formatFps } from '@/messages/format';
import { describeMachineTestFailure, describeStorage, machinePhaseTexts } from '@/messages/machine';
import { describeMachineSourceFailure, type MachineSourceFailure } from '@/messages/programs';
import { Button } from '@/ui/Button';
import { Row, Soft } from '@/ui/layout';
import { FigureList } from '@/ui/lists';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { useMachineSource } from '../shell/card/use-machine-source';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNowMs } from '../shell/frame/use-now';
import { ChangedParts } from './ChangedParts';
import { useMachineTest } from './use-machine-test';

/** What a measurement found. */
function MeasuredFigures({ test }: { readonly test: MachineTest }) {
  const { coreSpeedRatio, spreadRatio, decodeThreadCount, hardwareMegapixelPerSec, graphicsRatio, storage } = test;
  return (
    <FigureList $leastPx={170} $abovePx={4} $belowPx={10}>
      <div>
        <dt>One core</dt>
        <dd>
          {coreSpeedRatio === null ? 'not told' : `${formatFps(coreSpeedRatio)} × reference`}
          <small>
            runs differ by {Math.round(100 * spreadRatio)} % either way
            {decodeThreadCount !== null && `; decoding gains from ${formatFps(decodeThreadCount)} threads`}
          </small>
        </dd>
      </div>
      <div>
        <dt>Decoding on the graphics</dt>
        <dd>
          {hardwareMegapixelPerSec === null ? 'not seen' : `${Math.round(hardwareMegapixelPerSec)} megapixels a second`}
          {hardwareMegapixelPerSec === null && <small>this browser may keep it off; editors need not</small>}
        </dd>
      </div>
      <div>
        <dt>Drawing on the graphics</dt>
        <dd>
          {graphicsRatio === null ? 'not seen' : `${formatFps(graphicsRatio)} × one core`}
          {graphicsRatio === null && <small>this browser draws by the processor</small>}
        </dd>
      </div>
      {storage && (
        <div>
          <dt>This browser’s own storage</dt>
          <dd>
            {Math.round(storage.writtenMegabytePerSec)} MB a second written
            <small>{describeStorage(storage)}</small>
          </dd>
        </div>
      )}
    </FigureList>
  );
}

const titleOf = (isPractice: boolean, isMeasured: boolean): string =>
  isPractice
    ? isMeasured
      ? 'Measured on the practice machine'
      : 'The practice machine of this card'
    : isMeasured
      ? 'Measured on this computer'
      : 'Is this the computer that lags?';

/** Reads and measures the computer that Oil Can runs on, once the person says that it is the one that lags; or a practice machine. */
export function ThisComputer({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const { at, find } = useMachineSource();
  const nowMs = useNowMs();
  const [failure, setFailure] = useState<MachineSourceFailure | null>(null);
  const [isAnother, setAnother] = useState(false);
  const [changes, setChanges] = useState<readonly PartChange[]>([]);
  const [readCount, setReadCount] = useState(0);
  const { state, start, stop } = useMachineTest((test) => run({ type: 'setMachineTest', input: { test } }));
  const { machineTest } = card;
  const isPractice = at === 'practice';
  const readAndMeasure = async () => {
    setFailure(null);
    setReadCount(readCount + 1);
    let coreCount = navigator.hardwareConcurrency || card.machine.coreCount.value;
    const source = at === null ? null : await find(readCount);
    if (source && !source.ok) return setFailure(source.failure);
    const read = source ? await source.value.readMachine() : null;
    if (read?.ok) {
      const facts = factsOfMachine(read.value);
      setChanges(compareParts(card.machine, facts));
      run({ type: 'fillMachine', input: { facts } });
      run({ type: 'takeDrives', input: { drives: read.value.drives } });
      coreCount = read.value.processor.coreCount;
    } else if (read) setFailure(read.failure);
    if (card.machineProfile.id === '' && !isPractice)
      run({ type: 'nameMachine', input: { id: crypto.randomUUID(), name: card.machineProfile.name } });
    const year = isPractice ? null : yearOfDecoding(await readDecodeTable());
    if (year !== null)
      run({ type: 'fillMachine', input: { facts: { graphicsYear: { value: year, source: 'measured' } } } });
    start(coreCount, source?.value.runPractice ?? null);
  };
  const isRunning = state.status === 'running';
  if (isAnother && !machineTest)
    return (
      <Note>
        Then type below what its own settings say.{' '}
        <Button variant="quiet" onPress={() => setAnother(false)}>
          It is this one after all
        </Button>
      </Note>
    );
  return (
    <Sheet
      title={titleOf(isPractice, machineTest !== null)}
      kind={machineTest || isRunning || isPractice ? 'plain' : 'next'}
      aside={machineTest && nowMs !== null ? formatAgo(machineTest.takenAtMs, nowMs) : undefined}
    >
      {machineTest && !isRunning && <MeasuredFigures test={machineTest} />}
      {machineTest && !isRunning && slowsUnderLoad(machineTest) && (
        <Note kind="alarm">
          It slowed to {Math.round(100 * machineTest.endedAtRatio)} % while it was measured: heat, or a mode that saves
          power. Plug it in, let it cool, and measure again.
        </Note>
      )}
      {machineTest && !isRunning && !slowsUnderLoad(machineTest) && isDisturbed(machineTest) && (
        <Note>Something else kept it busy meanwhile: the runs disagree. Close what you can, and measure again.</Note>
      )}
      {isPractice && !machineTest && (
        <Soft as="p" $belowPx={8}>
          A made-up machine that answers as yours would; on a card of your own it is your computer.
        </Soft>
      )}
      {isRunning && (
        <div>
          <Row $isSpread $isOneLine>
            <span role="status">{machinePhaseTexts[state.progress?.phase ?? 'loading']}…</span>
            <Button onPress={stop}>
              <Square size={15} aria-hidden="true" /> Stop
            </Button>
          </Row>
          <progress aria-label="Measuring this computer" max={1} value={state.progress?.doneRatio ?? 0} />
          <Soft>Under a minute. Leave it in front, and let nothing play.</Soft>
        </div>
      )}
      {state.status === 'failed' && <Note kind="alarm">{describeMachineTestFailure(state.failure)}</Note>}
      {failure && <Note kind="alarm">{describeMachineSourceFailure(failure)}</Note>}
      {!isRunning && <ChangedParts card={card} changes={changes} onTaken={() => setChanges([])} />}
      {!isRunning && (
        <Row>
          <Button variant={machineTest ? 'plain' : 'primary'} onPress={readAndMeasure}>
            {machineTest ? 'Measure again' : isPractice ? 'Read and measure it' : 'Yes: read and measure it'}
          </Button>
          {machineTest ? (
            <Button variant="quiet" onPress={() => run({ type: 'setMachineTest', input: { test: null } })}>
              Forget what was measured
            </Button>
          ) : (
            !isPractice && (
              <Button variant="quiet" onPress={() => setAnother(true)}>
                No, another one
              </Button>
            )
          )}
        </Row>
      )}
    </Sheet>
  );
}
