'use client';

import styled from 'styled-components';
import { type JobCard, targetFpsOf } from '@/core/card';
import { suggestedHeightsPx, usualViewerHeightPx } from '@/core/fixes';
import type { KnownState } from '@/core/machine';
import { usableRateRatio, usableScrubMs } from '@/core/usable';
import { formatCount, formatFps, formatFpsRange, formatWaitRange } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Row, Soft } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { colour } from '@/ui/tokens';
import { listQualities } from '../fields/list-qualities';
import type { WhatIfState } from './use-what-if';

const Box = styled.div`
  margin-top: 14px;
  padding-top: 12px;
  border-top: 1px dashed ${colour.line};
`;
const Top = styled(Row)`
  justify-content: space-between;
  min-height: 36px;
  margin-bottom: 8px;
  h3 { font-size: 16px; }
`;
const Controls = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 12px 22px;
`;
const Result = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin-top: 14px;
  padding-top: 12px;
  border-top: 1px dashed ${colour.line};
  b { font-weight: 700; }
  b[data-good] { color: ${colour.good}; }
`;

/** Preview heights worth offering for this timeline, from the viewer's own. */
function listHeights(
  card: JobCard,
  chosenPx: number | null,
): readonly { readonly value: string; readonly label: string }[] {
  const seenPx = card.preview.viewerHeightPx;
  return [...new Set([...suggestedHeightsPx(seenPx ?? usualViewerHeightPx), chosenPx])]
    .filter((heightPx): heightPx is number => heightPx !== null && heightPx < card.timeline.heightPx)
    .sort((a, b) => b - a)
    .map((heightPx) => ({
      value: String(heightPx),
      label: heightPx === seenPx ? `${heightPx}, as seen` : String(heightPx),
    }));
}

/** The controls that move the frame budget above at once, from the set-up as it is. */
export function WhatIf({ card, state }: { readonly card: JobCard; readonly state: WhatIfState }) {
  const { choices, before, after, set, proxyClipCount } = state;
  const targetFps = targetFpsOf(card);
  const closableCount = card.programs.filter((program) => program.canClose === 'yes').length;

  return (
    <Box role="group" aria-label="What if">
      <Top>
        <h3>What if</h3>
        {state.isChanged ? (
          <Button variant="quiet" onPress={state.reset}>
            Back to how it is
          </Button>
        ) : (
          <Soft>moves the bars above; changes nothing on the card</Soft>
        )}
      </Top>
      <Controls>
        <SegmentedField
          label="Preview quality"
          options={listQualities(card, choices.qualityRatio)}
          value={String(choices.qualityRatio)}
          onChange={(value) => set({ qualityRatio: Number(value) })}
        />
        <SegmentedField
          label="Preview height"
          options={[{ value: 'follows', label: 'by quality' }, ...listHeights(card, choices.heightPx)]}
          value={choices.heightPx === null ? 'follows' : String(choices.heightPx)}
          onChange={(value) => set({ heightPx: value === 'follows' ? null : Number(value) })}
        />
        <SegmentedField
          label="Proxies"
          options={[
            { value: 'none', label: 'None' },
            {
              value: 'made',
              label:
                proxyClipCount === 0
                  ? choices.proxyHeightPx === null
                    ? 'no clip needs one'
                    : 'as they are'
                  : formatCount(proxyClipCount, 'heavy clip'),
              isDisabled: proxyClipCount === 0,
            },
          ]}
          value={choices.proxyHeightPx === null ? 'none' : 'made'}
          onChange={(value) => set({ proxyHeightPx: value === 'made' ? state.proxyHeightPx : null })}
        />
        <SegmentedField<KnownState>
          label="Hardware decoding"
          options={[
            { value: 'no', label: 'Off' },
            { value: 'yes', label: 'On' },
            ...(state.isHardwareKnown ? [] : [{ value: 'unknown' as const, label: 'not known' }]),
          ]}
          value={choices.hardwareDecode}
          onChange={(hardwareDecode) => set({ hardwareDecode })}
        />
        <SegmentedField
          label="Programs"
          options={[
            { value: 'keep', label: 'Keep' },
            {
              value: 'close',
              label: closableCount === 0 ? 'none to close' : `Close ${closableCount}`,
              isDisabled: closableCount === 0,
            },
          ]}
          value={choices.areProgramsClosed ? 'close' : 'keep'}
          onChange={(value) => set({ areProgramsClosed: value === 'close' })}
        />
        {card.timeline.effects.length > 0 && (
          <SegmentedField
            label="Effects"
            options={[
              { value: 'drawn', label: 'Drawn' },
              { value: 'bypassed', label: 'Bypassed' },
            ]}
            value={choices.areEffectsBypassed ? 'bypassed' : 'drawn'}
            onChange={(value) => set({ areEffectsBypassed: value === 'bypassed' })}
          />
        )}
      </Controls>
      <Result role="status">
        <span>
          Playing {state.isChanged && `${formatFpsRange(before.shownFps)} → `}
          <b data-good={after.shownFps.mid >= usableRateRatio * targetFps || undefined}>
            {formatFpsRange(after.shownFps)}
          </b>{' '}
          of {formatFps(targetFps)} a second
        </span>
        <span>
          A move of the playhead {state.isChanged && `${formatWaitRange(before.scrubMs)} → `}
          <b data-good={after.scrubMs.mid <= usableScrubMs || undefined}>{formatWaitRange(after.scrubMs)}</b>
        </span>
      </Result>
    </Box>
  );
}
