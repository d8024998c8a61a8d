'use client';

import { FileVideo, Gauge, Square } from 'lucide-react';
import styled from 'styled-components';
import type { PictureRegion } from '@/core/meter';
import { formatBytes } from '@/messages/format';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Paragraph, Row, Spaced } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useFilePicker } from '@/ui/use-file-picker';
import { NumberField } from '../fields/NumberField';
import { MeasuredView } from './MeasuredView';
import { RegionFields } from './RegionFields';
import type { RecordingState } from './use-recording';

const Zone = styled.div`
  padding: 22px 20px;
  margin-bottom: 12px;
  text-align: center;
  border: 2px dashed ${colour.edge};
  border-radius: 8px;
  p { margin-bottom: 12px; color: ${colour.inkSoft}; }
  [data-over] & { border-color: ${colour.enamel}; background: ${colour.inset}; }
`;
const Progress = styled.div`
  margin: 12px 0;
`;

/** What is measured of the recording; nulls stand for "all of it" and "look for it". */
export interface Chosen {
  readonly fromSec: number | null;
  readonly toSec: number | null;
  readonly region: PictureRegion | null;
  readonly isFilmed: boolean;
}

interface RecordingSheetProps {
  readonly file: File | null;
  readonly state: RecordingState;
  readonly chosen: Chosen;
  readonly onFile: (file: File) => void;
  readonly onChoose: (patch: Partial<Chosen>) => void;
  readonly onMeasure: () => void;
  readonly onStop: () => void;
}

/** Where a recording comes in, what of it is measured, and its progress. */
export function RecordingSheet(props: RecordingSheetProps) {
  const { file, state, chosen, onFile, onChoose, onMeasure, onStop } = props;
  const picker = useFilePicker({
    label: 'Choose a screen recording',
    accept: 'video/*,.mkv',
    onFiles: ([picked]) => picked && onFile(picked),
  });
  const measured = state.status === 'done' ? state.value : null;
  const region = chosen.region ?? measured?.reading.region ?? null;
  const isRunning = state.status === 'running';
  const filmedTick = (
    <CheckField isSelected={chosen.isFilmed} onChange={(isFilmed) => onChoose({ isFilmed })}>
      Filmed with a phone or camera
    </CheckField>
  );
  // Few film; where it looks so, the result asks.
  const filmed = chosen.isFilmed ? filmedTick : <Disclosure label="Filmed, not recorded?">{filmedTick}</Disclosure>;
  return (
    <Sheet
      title="A recording of your screen"
      aside={file ? `${file.name}, ${formatBytes(file.size)}` : 'nothing leaves this computer'}
    >
      {picker.input}
      {!file && (
        <>
          <Zone>
            <p>Drop a screen recording anywhere on this page: the editor playing the stretch that lags.</p>
            <Button variant="primary" onPress={picker.open}>
              <FileVideo size={18} aria-hidden="true" /> Choose a recording
            </Button>
          </Zone>
          {filmed}
        </>
      )}
      {file && (
        <MeasuredView
          source={file}
          label={`The recording ${file.name}`}
          region={region}
          size={measured}
          onRegion={(drawn) => onChoose({ region: drawn })}
        />
      )}
      {state.status === 'running' && (
        <Progress>
          <Row $isSpread $isOneLine>
            <span role="status">Measuring, {state.progress?.frameCount ?? 0} frames so far</span>
            <Button onPress={onStop}>
              <Square size={16} aria-hidden="true" /> Stop
            </Button>
          </Row>
          <progress aria-label="Measuring" max={1} value={state.progress?.doneRatio ?? 0} />
        </Progress>
      )}
      {file && !isRunning && (
        <>
          <FieldGrid $leastPx={150}>
            <NumberField
              label="Measure from"
              unit="s"
              minValue={0}
              maxValue={86_400}
              fractionDigits={1}
              value={chosen.fromSec}
              onChange={(fromSec) => onChoose({ fromSec })}
            />
            <NumberField
              label="Measure to (empty: end)"
              unit="s"
              minValue={0}
              maxValue={86_400}
              fractionDigits={1}
              value={chosen.toSec}
              onChange={(toSec) => onChoose({ toSec })}
            />
            {region && (
              <RegionFields region={region} size={measured} onChange={(typed) => onChoose({ region: typed })} />
            )}
          </FieldGrid>
          <Spaced $abovePx={10}>{filmed}</Spaced>
          <Row $abovePx={14} $belowPx={8}>
            <Button variant={measured ? 'plain' : 'primary'} onPress={onMeasure}>
              <Gauge size={17} aria-hidden="true" /> {measured ? 'Measure again' : 'Measure'}
            </Button>
            {chosen.region && (
              <Button variant="quiet" onPress={() => onChoose({ region: null })}>
                Look for the part again
              </Button>
            )}
            <Button variant="quiet" onPress={picker.open}>
              Choose another recording
            </Button>
          </Row>
        </>
      )}
      <Disclosure label="How do I record it?">
        Use the recorder that came with the system, at 60 frames a second and its best quality. Play the stretch that
        lags for about 15 seconds with the preview in full view, and stop. A recorder is one load more: close it for
        readings by eye.
        <Paragraph $abovePx={8}>
          A phone’s video of the screen will do where no recorder runs. Film at 60 frames a second or more, with the
          preview and a rim of the window around it in sight: what stands still there takes out how your hand moves. The
          steadier you hold the phone, the surer the reading.
        </Paragraph>
      </Disclosure>
    </Sheet>
  );
}
