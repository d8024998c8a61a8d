'use client';

import { useMemo, useState } from 'react';
import styled from 'styled-components';
import type { JobCard } from '@/core/card';
import { targetFpsOf } from '@/core/card';
import { choicesAsIs, countProxyClips, forecastChoices, type WhatIfChoices } from '@/core/diagnose';
import { usableRateRatio, usableScrubMs } from '@/core/load';
import type { KnownState } from '@/core/machine';
import { formatCount, formatFps, formatFpsRange, formatMs, formatWaitRange } from '@/messages/format';
import { Button } from '@/ui/Button';
import { FrameBudget } from '@/ui/FrameBudget';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { toBudgetLanes } from '../shell/budget-lanes';

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

const qualities = [
  { value: '1', label: 'Full' },
  { value: '0.5', label: '1/2' },
  { value: '0.25', label: '1/4' },
  { value: '0.125', label: '1/8' },
];
const proxyHeightPx = 540;

/** Controls that move the budget at once, from the set-up as it is; nothing on the card changes. */
export function WhatIf({ card }: { readonly card: JobCard }) {
  const asIs = useMemo(() => choicesAsIs(card), [card]);
  const [changed, setChanged] = useState<Partial<WhatIfChoices>>({});
  const choices = useMemo(() => ({ ...asIs, ...changed }), [asIs, changed]);
  const before = useMemo(() => forecastChoices(card, asIs), [card, asIs]);
  const after = useMemo(() => forecastChoices(card, choices), [card, choices]);
  const proxyClipCount = useMemo(
    () => countProxyClips(card, choices, choices.proxyHeightPx ?? proxyHeightPx),
    [card, choices],
  );
  const targetFps = targetFpsOf(card);
  const set = (patch: Partial<WhatIfChoices>) => setChanged((current) => ({ ...current, ...patch }));

  const closable = card.programs.filter((program) => program.canClose === 'yes').length;
  const heights = [...new Set([720, 540, 360, card.preview.viewerHeightPx, choices.heightPx])]
    .filter((heightPx): heightPx is number => heightPx !== null && heightPx < card.timeline.heightPx)
    .sort((a, b) => b - a);
  const heightLabel = (heightPx: number): string =>
    heightPx === card.preview.viewerHeightPx ? `${heightPx}, as seen` : String(heightPx);
  const qualityOptions = qualities.some(({ value }) => Number(value) === choices.qualityRatio)
    ? qualities
    : [...qualities, { value: String(choices.qualityRatio), label: formatFps(choices.qualityRatio) }];

  return (
    <Sheet
      title="What if"
      aside={
        Object.keys(changed).length > 0 && (
          <Button look="quiet" onPress={() => setChanged({})}>
            Back to how it is
          </Button>
        )
      }
    >
      <Controls>
        <SegmentedField
          label="Preview quality"
          options={qualityOptions}
          value={String(choices.qualityRatio)}
          onChange={(value) => set({ qualityRatio: Number(value) })}
        />
        <SegmentedField
          label="Preview height"
          options={[
            { value: 'follows', label: 'by quality' },
            ...heights.map((heightPx) => ({ value: String(heightPx), label: heightLabel(heightPx) })),
          ]}
          value={choices.heightPx === null ? 'follows' : String(choices.heightPx)}
          onChange={(value) => set({ heightPx: value === 'follows' ? null : Number(value) })}
        />
        <SegmentedField
          label="Proxies"
          options={[
            { value: 'none', label: 'None' },
            {
              value: 'made',
              label: proxyClipCount === 0 ? 'no clip needs one' : formatCount(proxyClipCount, 'heavy clip'),
              isDisabled: proxyClipCount === 0,
            },
          ]}
          value={choices.proxyHeightPx === null ? 'none' : 'made'}
          onChange={(value) => set({ proxyHeightPx: value === 'made' ? proxyHeightPx : null })}
        />
        <SegmentedField<KnownState>
          label="Hardware decoding"
          options={[
            { value: 'no', label: 'Off' },
            { value: 'yes', label: 'On' },
            ...(asIs.hardwareDecode === 'unknown' ? [{ value: 'unknown' as const, label: 'not known' }] : []),
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
              label: closable === 0 ? 'none to close' : `Close ${closable}`,
              isDisabled: closable === 0,
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
            value={choices.arePreviewEffectsBypassed ? 'bypassed' : 'drawn'}
            onChange={(value) => set({ arePreviewEffectsBypassed: value === 'bypassed' })}
          />
        )}
      </Controls>
      <Result role="status">
        <span>
          Playing {formatFpsRange(before.shownFps)} →{' '}
          <b data-good={after.shownFps.mid >= usableRateRatio * targetFps || undefined}>
            {formatFpsRange(after.shownFps)}
          </b>{' '}
          of {formatFps(targetFps)} a second
        </span>
        <span>
          A jump {formatWaitRange(before.scrubMs)} →{' '}
          <b data-good={after.scrubMs.mid <= usableScrubMs || undefined}>{formatWaitRange(after.scrubMs)}</b>
        </span>
      </Result>
      <FrameBudget lanes={toBudgetLanes(after.stages)} budgetMs={1000 / targetFps} formatMs={formatMs} />
    </Sheet>
  );
}
