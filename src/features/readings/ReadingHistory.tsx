'use client';

import { Download, Upload } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { areSameFixes, type JobCard, targetFpsOf } from '@/core/card';
import { formatCount, formatRate } from '@/messages/format';
import { describeReadingsFailure } from '@/messages/readings';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Paragraph, Row } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { useFilePicker } from '@/ui/use-file-picker';
import { useOpenCard } from '../shell/card/use-open-card';
import { SheetBoundary } from '../shell/frame/SheetBoundary';
import { Comparison } from './Comparison';
import { Disagreeing } from './Disagreeing';
import { describeReadingSetup } from './describe-setup';
import { ReadingList } from './ReadingList';

const ReadingsChart = dynamic(() => import('@/ui/charts/ReadingsChart').then((module) => module.ReadingsChart), {
  ssr: false,
});

/** Readings with a rate in order; the label tells where the set-up changed. */
const listPoints = ({ readings }: JobCard) =>
  readings.flatMap((reading, i) => {
    if (reading.shownFps === null) return [];
    const before = readings[i - 1];
    const isSame = before !== undefined && areSameFixes(before.fixes, reading.fixes);
    return [{ label: isSame ? 'again' : describeReadingSetup(reading.fixes), fps: reading.shownFps }];
  });

/** All readings of the card: over time with the changes marked, as a table to choose from, side by side, in and out. */
export function ReadingHistory() {
  const { card, run } = useOpenCard();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<string | null>(null);
  const points = listPoints(card);
  const isFull = card.readings.length > 0;
  const choose = (id: string, isChosen: boolean) =>
    setChosen((now) => new Set(isChosen ? [...now, id] : [...now].filter((other) => other !== id)));
  const take = async (file: File) => {
    const { readReadings } = await import('./readings-export');
    const read = readReadings(await file.text());
    setProblem(read.ok ? null : describeReadingsFailure(read.failure));
    if (read.ok) run({ type: 'importReadings', input: { readings: read.value } });
  };
  const picker = useFilePicker({
    label: 'Choose a file of readings',
    accept: '.json,.csv,application/json,text/csv',
    onFiles: ([file]) => file && take(file),
  });
  const save = async (format: 'csv' | 'json') => {
    const { exportReadings } = await import('./readings-export');
    exportReadings(card, format);
  };
  return (
    <>
      {chosen.size > 1 && <Comparison card={card} chosen={chosen} />}
      <Sheet title="Readings on this card" aside={isFull ? formatCount(card.readings.length, 'reading') : undefined}>
        {problem && (
          <Note kind="alarm">
            <p>{problem}</p>
          </Note>
        )}
        <Disagreeing card={card} />
        {points.length > 1 && (
          <SheetBoundary title="Readings over time">
            <ReadingsChart points={points} targetFps={targetFpsOf(card)} formatFps={formatRate} />
          </SheetBoundary>
        )}
        {isFull ? (
          <ReadingList chosen={chosen} onChoose={choose} />
        ) : (
          <p>None yet. The first is what all others are compared with.</p>
        )}
        {picker.input}
        {isFull && (
          <Paragraph $abovePx={10} $belowPx={6}>
            Tick two or more to see whether it changed.
          </Paragraph>
        )}
        <Disclosure label="Readings as a file">
          <Row>
            {isFull && (
              <>
                <Button onPress={() => save('csv')}>
                  <Download size={17} aria-hidden="true" /> CSV
                </Button>
                <Button onPress={() => save('json')}>
                  <Download size={17} aria-hidden="true" /> JSON
                </Button>
              </>
            )}
            <Button onPress={() => picker.open()}>
              <Upload size={17} aria-hidden="true" /> Import readings
            </Button>
          </Row>
        </Disclosure>
      </Sheet>
    </>
  );
}
