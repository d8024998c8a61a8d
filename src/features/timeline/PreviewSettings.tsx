'use client';

import type { CardPreview } from '@/core/card';
import { type KnownState, knownStates } from '@/core/machine';
import { knownStateTexts } from '@/messages/machine';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Spaced } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { listQualities } from '../fields/list-qualities';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';

const states = knownStates.map((value) => ({ value, label: knownStateTexts[value] }));

/** How the editor's preview was set before any fix. */
export function PreviewSettings() {
  const { card, run } = useOpenCard();
  const { preview } = card;
  const set = (patch: Partial<CardPreview>) => run({ type: 'setPreview', input: { patch } });
  return (
    <Sheet title="How the preview is set" aside="before any fix from here">
      <FieldGrid $leastPx={220}>
        <SegmentedField
          label="Preview quality"
          options={listQualities(card, preview.qualityRatio)}
          value={String(preview.qualityRatio)}
          onChange={(value) => set({ qualityRatio: Number(value) })}
        />
        <NumberField
          label="Preview height, if one is set"
          unit="pixels"
          minValue={16}
          maxValue={32_768}
          value={preview.heightPx}
          onChange={(heightPx) => set({ heightPx })}
        />
        <NumberField
          label="The viewer’s height on your screen"
          unit="pixels"
          minValue={16}
          maxValue={32_768}
          value={preview.viewerHeightPx}
          onChange={(viewerHeightPx) => set({ viewerHeightPx })}
        />
        <SegmentedField<KnownState>
          label="Hardware decoding is on"
          options={states}
          value={preview.hardwareDecode}
          onChange={(hardwareDecode) => set({ hardwareDecode })}
        />
        <SegmentedField<KnownState>
          label="The editor draws on the graphics"
          options={states}
          value={preview.graphicsDrawing}
          onChange={(graphicsDrawing) => set({ graphicsDrawing })}
        />
      </FieldGrid>
      <Spaced $abovePx={12}>
        <Disclosure label="What do these mean?">
          Preview quality is a fraction of the timeline’s size: at 1/2, a timeline 1080 pixels high is drawn 540 high.
          Hardware decoding lets a part of the graphics turn stored footage into pictures. Drawing on the graphics is
          about effects and layers after that. If you do not know, leave “Don’t know”: the ranges get wider, and nothing
          is made up.
        </Disclosure>
      </Spaced>
    </Sheet>
  );
}
