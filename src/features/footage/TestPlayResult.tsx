'use client';

import styled from 'styled-components';
import {
  type DecodeTest,
  decodedFpsOf,
  type FileRead,
  isHardwareProven,
  isTelling,
  scrubJumpCount,
} from '@/core/test-play';
import { formatFps, formatRate, formatWait } from '@/messages/format';
import { describeFileRead, describeRun, nameReadRate, quickReadText } from '@/messages/test-play';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Soft } from '@/ui/layout';
import { colour } from '@/ui/tokens';

const Table = styled(DataTable)`
  margin-top: 10px;
  tbody th { min-width: 150px; font-weight: 400; }
`;
const Line = styled.p`
  margin-top: 8px;
  b { font-weight: 700; }
`;
const Big = styled.p`
  font-size: 19px;
  b { font-weight: 750; }
  small { display: block; font-size: 15px; color: ${colour.inkSoft}; }
`;

const tenths = (fps: number): string => formatRate(fps < 100 ? fps : Math.round(fps));

/** How the measured rate stands to what was expected. */
function describeAgainst(measured: number, estimated: number): string {
  const ratio = measured / estimated;
  if (ratio > 1.15) return `faster than the ${tenths(estimated)} that the estimate had said`;
  if (ratio < 1 / 1.15) return `slower than the ${tenths(estimated)} that the estimate had said`;
  return `close to the ${tenths(estimated)} that the estimate had said`;
}

/** What a clip asks of its drive while it plays, megabytes a second. */
const askedOf = ({ megabitsPerFrame, frameRateFps }: DecodeTest['stream']): string => {
  const asked = (megabitsPerFrame * frameRateFps) / 8;
  return formatRate(asked < 10 ? asked : Math.round(asked));
};

/** How quickly the file of a clip came that is not decoded here. */
function ReadResult({ read, stream }: { readonly read: FileRead; readonly stream: DecodeTest['stream'] }) {
  return (
    <Big>
      Its file came at <b>{nameReadRate(read)}</b>
      <small>
        {read.isAtLeast && `Either ${quickReadText}. `}
        The clip asks for {askedOf(stream)} while it plays.
      </small>
    </Big>
  );
}

/** What a test-play found, against the clip's own rate and against the estimate. */
export function TestPlayResult({ test }: { readonly test: DecodeTest }) {
  const { runs, fileRead, stream } = test;
  if (runs.length > 0) return <PlayedResult test={test} />;
  return fileRead && <ReadResult read={fileRead} stream={stream} />;
}

function PlayedResult({ test }: { readonly test: DecodeTest }) {
  const software = decodedFpsOf(test, 'software') ?? 0;
  const hardware = decodedFpsOf(test, 'hardware');
  const best = Math.max(software, hardware ?? 0);
  const clipFps = test.stream.frameRateFps;
  return (
    <>
      <Big>
        This machine decodes <b>{tenths(best)} frames a second</b> of this clip
        <small>
          {best >= clipFps
            ? `${tenths(best / clipFps)} times its own ${formatFps(clipFps)}, with nothing else to do.`
            : `Its own rate is ${formatFps(clipFps)}: it cannot play smoothly here, whatever the editor does.`}
        </small>
      </Big>
      <Line>
        By the processor <b>{tenths(software)}</b>, {describeAgainst(software, test.estimatedFps)}.{' '}
        {hardware === null
          ? 'This browser has no hardware decoding for it.'
          : isHardwareProven(test)
            ? `On the graphics ${tenths(hardware)}: measured.`
            : `With the graphics preferred ${tenths(hardware)}: too close to tell whether they did it.`}
      </Line>
      {!isTelling(test.stream) && (
        <Line>
          This clip is too light to measure a machine by, so the estimates stay as they were. Play a heavier one.
        </Line>
      )}
      {test.scrub && (
        <Line>
          A move of the playhead
          {test.scrub.jumpCount < scrubJumpCount ? ` (${test.scrub.jumpCount} of them in a minute)` : ''} takes{' '}
          <b>{formatWait(test.scrub.medianMs)}</b>, one in ten {formatWait(test.scrub.slowestTenthMs)} or more; the
          estimate had said {formatWait(test.estimatedScrubMs)}.
        </Line>
      )}
      {test.fileRead && (
        <Line>
          {describeFileRead(test.fileRead)} The clip asks for {askedOf(test.stream)} while it plays.
        </Line>
      )}
      <TableFrame>
        <Table>
          <thead>
            <tr>
              <th scope="col">Run</th>
              <th scope="col" data-figure>
                Frames a second
              </th>
              <th scope="col" data-figure>
                Dropped
              </th>
            </tr>
          </thead>
          <tbody>
            {test.runs.map((run) => (
              <tr key={`${run.way} ${run.isOneByOne} ${run.drawnHeightPx}`}>
                <th scope="row">{describeRun(run)}</th>
                <td data-figure>{tenths(run.decodedFps)}</td>
                <td data-figure>
                  {run.droppedCount} of {Math.max(run.frameCount, Math.round((run.elapsedMs / 1000) * clipFps))}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
      <Soft>
        Dropped: what a viewer at the clip’s own rate would have had to leave out. What the drawn runs lack against
        decoding alone went into drawing, here by this browser; an editor draws in its own way.
      </Soft>
    </>
  );
}
