'use client';

import { useMemo, useState } from 'react';
import styled from 'styled-components';
import type { Belief } from '@/core/belief';
import { listPreviewChoices, type PreviewChoice, type PreviewChoiceKind, viewerHeightPx } from '@/core/diagnose';
import { parseLevelOf, previewFixIds } from '@/core/fixes';
import { formatFpsRange } from '@/messages/format';
import { describeLoss, describeWhenToLook } from '@/messages/working';
import { Button } from '@/ui/Button';
import { Paragraph, Row, Scroller, Soft, Spaced, VisuallyHidden } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { TextField } from '@/ui/TextField';
import { colour } from '@/ui/tokens';
import { NumberField } from '../fields/NumberField';
import { chartDetail } from './draw-test-chart';
import { TestChart } from './TestChart';
import { useClipPicture } from './use-clip-picture';
import type { WhatIfSet } from './use-what-if-set';

const Table = styled.table`
  width: 100%;
  margin: 12px 0;
  border-collapse: collapse;
  font-size: 15px;
  th { text-align: left; font-weight: 600; color: ${colour.inkSoft}; padding: 4px 10px 4px 0; }
  td { padding: 6px 10px 6px 0; border-top: 1px solid ${colour.line}; vertical-align: middle; }
  tr[data-chosen] td { background: ${colour.inset}; }
  td[data-figure], th[data-figure] { text-align: right; font-variant-numeric: tabular-nums; white-space: nowrap; }
  td[data-unseen] { color: ${colour.good}; font-weight: 600; }
`;
const Pictures = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  figure { margin: 0; }
  figcaption { font-size: 14px; color: ${colour.inkSoft}; }
`;

const kinds: readonly { readonly value: PreviewChoiceKind; readonly label: string }[] = [
  { value: 'quality', label: 'Preview quality' },
  { value: 'height', label: 'Preview height' },
];

const nameOf = ({ fix, kind }: PreviewChoice): string =>
  fix === null ? 'Full' : kind === 'height' ? `${fix.level} high` : String(fix.level);

interface PreviewTableProps {
  readonly posterior: Belief;
  readonly set: WhatIfSet;
}

/** Each preview quality or height: its expected rate, its picture next to the full one, and what is lost of it. */
export function PreviewTable({ posterior, set }: PreviewTableProps) {
  const [kind, setKind] = useState<PreviewChoiceKind>('quality');
  const [own, setOwn] = useState<Readonly<Record<PreviewChoiceKind, readonly (string | number)[]>>>({
    quality: [],
    height: [],
  });
  const choices = useMemo(
    () => listPreviewChoices(posterior, set.chosen, kind, own[kind]),
    [posterior, set.chosen, kind, own],
  );
  const seenPx = viewerHeightPx(posterior);
  const picture = useClipPicture();
  const viewed = useMemo(() => picture && { picture, viewerHeightPx: seenPx }, [picture, seenPx]);
  const chosen = choices.find(({ isNow }) => isNow) ?? choices[0];
  const addOwn = (text: string): boolean => {
    const level = parseLevelOf(kind === 'quality' ? 'fraction' : 'height', text.trim());
    if (level === null) return false;
    setOwn((current) => ({ ...current, [kind]: [...current[kind], level] }));
    set.set(previewFixIds[kind], { id: previewFixIds[kind], level });
    return true;
  };
  return (
    <Sheet title="The preview’s picture" aside={`the viewer is taken as ${seenPx} pixels high`}>
      <SegmentedField label="Made smaller by" options={kinds} value={kind} onChange={setKind} />
      <Scroller>
        <Table aria-label={kind === 'quality' ? 'Preview qualities' : 'Preview heights'}>
          <thead>
            <tr>
              <th scope="col">{kind === 'quality' ? 'Quality' : 'Height'}</th>
              <th scope="col" data-figure>
                pixels high
              </th>
              <th scope="col" data-figure>
                shown a second
              </th>
              <th scope="col">a detail of it, as the viewer shows it</th>
              <th scope="col">in the viewer</th>
              <th scope="col">look at full again</th>
              <th scope="col">
                <VisuallyHidden>choose</VisuallyHidden>
              </th>
            </tr>
          </thead>
          <tbody>
            {choices.map((choice) => (
              <tr key={nameOf(choice)} data-chosen={choice.isNow || undefined}>
                <td>
                  <b>{nameOf(choice)}</b>
                </td>
                <td data-figure>{choice.drawnHeightPx}</td>
                <td data-figure>{formatFpsRange(choice.after.shownFps)}</td>
                <td>
                  <TestChart
                    area={chartDetail}
                    viewed={viewed}
                    drawnRatio={choice.drawnHeightPx / seenPx}
                    label={`Detail at ${nameOf(choice)}: ${describeLoss(choice)}`}
                  />
                </td>
                <td data-unseen={choice.missingRatio <= 0 || undefined}>{describeLoss(choice)}</td>
                <td>{describeWhenToLook(choice)}</td>
                <td>
                  {!choice.isNow && (
                    <Button
                      variant="quiet"
                      aria-label={`Choose ${nameOf(choice)}`}
                      onPress={() => set.set(previewFixIds[kind], choice.fix)}
                    >
                      Choose
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Scroller>
      <Row $belowPx={12}>
        <Spaced $mostPx={200}>
          {kind === 'quality' ? (
            <TextField label="Another quality, such as 1/3" value="" onCommit={addOwn} />
          ) : (
            <NumberField
              label="Another height"
              unit="pixels"
              key={own.height.length}
              minValue={16}
              maxValue={32_768}
              isStoredWhenLeft
              value={null}
              onChange={(heightPx) => heightPx !== null && addOwn(String(heightPx))}
            />
          )}
        </Spaced>
      </Row>
      {chosen?.fix && (
        <Pictures>
          <figure>
            <TestChart drawnRatio={1} viewed={viewed} label="Test picture at full" />
            <figcaption>full, at the viewer’s size</figcaption>
          </figure>
          <figure>
            <TestChart
              drawnRatio={chosen.drawnHeightPx / seenPx}
              viewed={viewed}
              label={`Test picture at ${nameOf(chosen)}: ${describeLoss(chosen)}`}
            />
            <figcaption>
              {nameOf(chosen)}: {describeLoss(chosen)}
            </figcaption>
          </figure>
        </Pictures>
      )}
      <Paragraph $abovePx={6}>
        <Soft>
          What your viewer cannot show is no loss: a preview as high as the viewer looks the same as a higher one.
        </Soft>
      </Paragraph>
    </Sheet>
  );
}
