import { deriveBaseState, type JobCard } from '@/core/card';
import { exportTimes } from '@/core/load';
import { describeExportTaken, describeExportTime, exportWayTexts } from '@/messages/export-check';
import { Spaced } from '@/ui/layout';
import { FactList } from '@/ui/lists';
import { FilmLengthField } from '../fields/FilmLengthField';

/** How long each way of exporting takes, estimated from the card, and what the last export took. */
export function ExportTimes({ card }: { readonly card: JobCard }) {
  const { lengthMin } = card.timeline;
  const taken = card.readings.findLast(({ exportMinutes }) => exportMinutes !== null)?.exportMinutes ?? null;
  return (
    <>
      <FactList $nameWidth="230px">
        {exportTimes(deriveBaseState(card)).map((time) => (
          <div key={time.way}>
            <dt>{exportWayTexts[time.way].name}</dt>
            <dd>
              {describeExportTime(time, lengthMin)}; {exportWayTexts[time.way].what}
            </dd>
          </div>
        ))}
      </FactList>
      {taken !== null && lengthMin !== null && lengthMin > 0 && <p>{describeExportTaken(taken, lengthMin)}</p>}
      <Spaced $mostPx={220} $abovePx={8}>
        <FilmLengthField />
      </Spaced>
    </>
  );
}
