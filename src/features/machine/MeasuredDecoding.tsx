'use client';

import { X } from 'lucide-react';
import styled from 'styled-components';
import { type DecodeTest, decodedFpsOf, isTelling, measureDecoding, measureReading } from '@/core/test-play';
import { formatFps, formatMoment } from '@/messages/format';
import { BesideButton } from '@/ui/BesideButton';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Soft } from '@/ui/layout';
import { FigureList } from '@/ui/lists';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';

const Tests = styled.ul`
  li { display: flex; align-items: center; gap: 12px; padding: 4px 0; border-top: 1px solid ${colour.line}; font-size: 15px; }
  li > span { flex: 1; min-width: 0; overflow-wrap: anywhere; }
`;

const hundredths = (value: number): string => formatFps(value);
const whole = (value: number): string => formatFps(Math.round(value));

function describeTest(test: DecodeTest): string {
  const fps = decodedFpsOf(test, 'software');
  if (fps === null) return 'read only';
  return `${whole(fps)} a second by the processor${isTelling(test.stream) ? '' : ' (too light to measure by)'}`;
}

/** What test-plays measured of this machine, in place of what its class would say; each can be deleted. */
export function MeasuredDecoding() {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const { decodeTests } = card;
  const measured = measureDecoding(decodeTests, card.machine.coreCount.value);
  const readRate = measureReading(decodeTests);
  const remove = (test: DecodeTest) => {
    const index = decodeTests.indexOf(test);
    if (!run({ type: 'removeDecodeTest', input: { id: test.id } }).ok) return;
    notify({
      kind: 'info',
      text: 'Deleted the test-play. The estimates are as if it had never been.',
      action: { label: 'Undo', run: () => run({ type: 'addDecodeTest', input: { test, index } }) },
    });
  };
  if (decodeTests.length === 0)
    return (
      <Sheet title="Measured on your clips" aside="nothing yet">
        <Row $isSpread>
          <BesideButton>
            Test-play a heavy clip: it measures this drive, this processor and these graphics. What is measured counts
            before all that stands above.
          </BesideButton>
          <LinkButton href={`/card/${encodeURIComponent(card.id)}/footage`}>Go to Footage</LinkButton>
        </Row>
      </Sheet>
    );
  return (
    <Sheet title="Measured on your clips" aside="by test-play; counts before all else">
      <FigureList $leastPx={190} $belowPx={10}>
        <div>
          <dt>One core</dt>
          <dd>
            {measured.coreSpeedRatio === null ? 'not told' : `${hundredths(measured.coreSpeedRatio)} × reference`}
            {measured.coreSpeedRatio === null && <small>play a heavier clip</small>}
            {measured.decodeThreadCount !== null && (
              <small>decoding gains from {hundredths(measured.decodeThreadCount)} threads</small>
            )}
          </dd>
        </div>
        <div>
          <dt>Decoding on the graphics</dt>
          <dd>
            {measured.hardwareMegapixelPerSec === null
              ? 'not seen'
              : `${whole(measured.hardwareMegapixelPerSec)} megapixels a second`}
            {measured.hardwareMegapixelPerSec === null && <small>this browser may keep it off; editors need not</small>}
          </dd>
        </div>
        <div>
          <dt>Drive of the footage</dt>
          <dd>
            {readRate === null ? 'not told' : `${whole(readRate)} megabytes a second`}
            {readRate === null && <small>a large file tells, if it was not played lately</small>}
          </dd>
        </div>
      </FigureList>
      <Tests>
        {decodeTests.map((test) => (
          <li key={test.id}>
            <span>
              <b>{test.fileName}</b>, {describeTest(test)} <Soft>{formatMoment(test.takenAtMs)}</Soft>
            </span>
            <Button
              variant="danger"
              aria-label={`Delete the test-play of ${test.fileName}`}
              onPress={() => remove(test)}
            >
              <X size={18} aria-hidden="true" />
            </Button>
          </li>
        ))}
      </Tests>
    </Sheet>
  );
}
