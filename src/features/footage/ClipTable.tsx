'use client';

import { X } from 'lucide-react';
import styled from 'styled-components';
import type { CardClip } from '@/core/card';
import type { ClipCostRow } from '@/core/diagnose';
import { type ClipFacts, findClipTraits } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import { describeDepth, nameCodec, traitTexts } from '@/messages/footage';
import { formatDuration, formatFps, formatMbit, formatMs, formatWait } from '@/messages/format';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Disclosure } from '@/ui/Disclosure';
import { VisuallyHidden } from '@/ui/layout';
import { colour } from '@/ui/tokens';

const Format = styled.span`
  display: block;
  font-size: 14.5px;
  font-weight: 400;
  color: ${colour.inkSoft};
`;
const TraitLine = styled.div`
  summary { font-weight: 400; font-size: 14.5px; }
`;
const Traits = styled.div`
  font-weight: 400;
  font-size: 14px;
  dt { font-weight: 650; color: ${colour.ink}; }
  dd { margin-bottom: 6px; }
`;
const Cost = styled.td`
  &[data-over] { color: ${colour.alarm}; font-weight: 700; }
`;

/** "H.264 10-bit 4:2:2, 3840 × 2160 at 25". */
const describeFormat = (facts: ClipFacts): string =>
  `${nameCodec(facts.codec)} ${describeDepth(facts.bitDepth, facts.chroma)}, ${facts.widthPx} × ${facts.heightPx} at ${formatFps(rationalToNumber(facts.frameRate))}${facts.audio ? '' : ', no sound'}`;

const describeKeyFrames = ({ keyFrameDistance, frameRate }: ClipFacts): string => {
  const { longestFrames, isSampled } = keyFrameDistance;
  if (longestFrames === 1) return 'every frame';
  const seconds = longestFrames / rationalToNumber(frameRate);
  return `${formatFps(Math.round(seconds * 10) / 10)} s${isSampled ? ' *' : ''}`;
};

interface ClipTableProps {
  readonly clips: readonly CardClip[];
  readonly costs: readonly ClipCostRow[];
  readonly onRemove: (clip: CardClip) => void;
}

/** Every clip with what it is, what stands out about it, and what it costs on this machine. */
export function ClipTable({ clips, costs, onRemove }: ClipTableProps) {
  const costById = new Map(costs.map((row) => [row.clipId, row]));
  const hasSampled = clips.some((clip) => clip.facts.keyFrameDistance.isSampled);
  return (
    <>
      <TableFrame>
        <DataTable>
          <thead>
            <tr>
              <th scope="col">Clip</th>
              <th scope="col" data-figure>
                Length
              </th>
              <th scope="col" data-figure>
                Mbit/s
              </th>
              <th scope="col" data-figure>
                Key frames
              </th>
              <th scope="col" data-figure>
                Decode, ms
              </th>
              <th scope="col" data-figure>
                A jump
              </th>
              <th scope="col">
                <VisuallyHidden>Action</VisuallyHidden>
              </th>
            </tr>
          </thead>
          <tbody>
            {clips.map((clip) => {
              const { facts } = clip;
              const cost = costById.get(clip.id);
              const traits = findClipTraits(facts).slice(0, 3);
              return (
                <tr key={clip.id}>
                  <th scope="row">
                    {facts.fileName}
                    <Format>{describeFormat(facts)}</Format>
                    {traits.length > 0 && (
                      <TraitLine>
                        <Disclosure label={traits.map((trait) => traitTexts[trait].label).join(', ')}>
                          <Traits as="dl">
                            {traits.map((trait) => (
                              <div key={trait}>
                                <dt>{traitTexts[trait].label}</dt>
                                <dd>{traitTexts[trait].why}</dd>
                              </div>
                            ))}
                          </Traits>
                        </Disclosure>
                      </TraitLine>
                    )}
                  </th>
                  <td data-figure>{formatDuration(facts.durationMs)}</td>
                  <td data-figure>{formatMbit(facts.bitrateMbitPerSec)}</td>
                  <td data-figure>{describeKeyFrames(facts)}</td>
                  <Cost data-figure data-over={cost?.isOverBudget || undefined}>
                    {cost ? formatMs(cost.decodeMs) : '–'}
                  </Cost>
                  <td data-figure>{cost ? formatWait(cost.scrubMs) : '–'}</td>
                  <td>
                    <Button look="danger" aria-label={`Remove ${facts.fileName}`} onPress={() => onRemove(clip)}>
                      <X size={18} aria-hidden="true" />
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </DataTable>
      </TableFrame>
      {hasSampled && <Format>* from a part of the file: reading all of it would take too long.</Format>}
    </>
  );
}
