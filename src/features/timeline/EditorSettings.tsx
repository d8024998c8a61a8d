'use client';

import { type CardEditor, lateFramePolicies, playsByOf, playWays, proxyStates } from '@/core/card';
import { drawingHabitIds } from '@/core/load';
import { type KnownState, knownStates } from '@/core/machine';
import { nameCodec } from '@/messages/clip-facts';
import { habitTexts, lateFrameTexts, playWayTexts, proxyStateTexts, waitsAllTheSame } from '@/messages/editor';
import { knownStateTexts } from '@/messages/machine';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Spaced } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';

const states = knownStates.map((value) => ({ value, label: knownStateTexts[value] }));
const depths = ['8', '16', '32', 'unknown'].map((value) => ({
  value,
  label: value === 'unknown' ? 'Don’t know' : value,
}));

/** Gigabytes in a field, mebibytes on the card. */
const toMib = (gigabytes: number | null): number | null => (gigabytes === null ? null : Math.round(gigabytes * 1024));
const toGigabytes = (mib: number | null): number | null => (mib === null ? null : mib / 1024);

const dontKnow = { value: 'unknown', label: 'Don’t know' };
/** What editors make proxies in. */
const proxyCodecs = [
  dontKnow,
  ...['h264', 'hevc', 'prores', 'dnxhd', 'mjpeg'].map((codec) => ({ value: codec, label: nameCodec(codec) })),
];
const proxyQualities = [
  dontKnow,
  { value: '1', label: 'at every preview quality' },
  ...[2, 4, 8].map((part) => ({ value: String(1 / part), label: `at 1/${part} quality and below` })),
];

/** How the person's editor is set up, before any fix; each answer may be left open, and tells causes apart. */
export function EditorSettings() {
  const { card, run } = useOpenCard();
  const { editor } = card;
  const set = (patch: Partial<CardEditor>) => run({ type: 'setEditor', input: { patch } });
  const hasProxies = editor.proxies !== 'none' && editor.proxies !== 'unknown';
  return (
    <Sheet title="Your editor" aside="leave open what you do not know">
      <FieldGrid $leastPx={220}>
        <SelectField
          label="Proxies of the clips"
          value={editor.proxies}
          options={proxyStates.map((value) => ({ value, label: proxyStateTexts[value] }))}
          onChange={(proxies) => set({ proxies })}
        />
        {hasProxies && (
          <NumberField
            label="Height of the proxies"
            unit="pixels"
            minValue={16}
            maxValue={32_768}
            value={editor.proxyHeightPx}
            onChange={(proxyHeightPx) => set({ proxyHeightPx })}
          />
        )}
        {hasProxies && (
          <SelectField
            label="Codec of the proxies"
            value={editor.proxyCodec ?? 'unknown'}
            options={proxyCodecs}
            onChange={(value) => set({ proxyCodec: value === 'unknown' ? null : value })}
          />
        )}
        {hasProxies && (
          <SegmentedField<KnownState>
            label="Every frame of theirs is a key frame"
            options={states}
            value={editor.isEveryProxyFrameKey}
            onChange={(isEveryProxyFrameKey) => set({ isEveryProxyFrameKey })}
          />
        )}
        {hasProxies && (
          <SelectField
            label="The editor shows them"
            value={editor.proxyQualityRatio === null ? 'unknown' : String(editor.proxyQualityRatio)}
            options={proxyQualities}
            onChange={(value) => set({ proxyQualityRatio: value === 'unknown' ? null : Number(value) })}
          />
        )}
        <SelectField
          label="When you press play"
          value={editor.playsBy}
          options={playWays.map((value) => ({ value, label: playWayTexts[value] }))}
          onChange={(playsBy) => set({ playsBy })}
          help={playsByOf(card) === editor.playsBy ? undefined : waitsAllTheSame}
        />
        <SelectField
          label="Late pictures are"
          value={editor.lateFrames}
          options={lateFramePolicies.map((value) => ({ value, label: lateFrameTexts[value] }))}
          onChange={(lateFrames) => set({ lateFrames })}
        />
        <SegmentedField<KnownState>
          label="A second viewer, scope or crop panel is open"
          options={states}
          value={editor.isSourcePanelOpen}
          onChange={(isSourcePanelOpen) => set({ isSourcePanelOpen })}
        />
        <SegmentedField<KnownState>
          label="It is building something"
          options={states}
          value={editor.isBuilding}
          onChange={(isBuilding) => set({ isBuilding })}
        />
        <SegmentedField<KnownState>
          label="Clips show pictures and wave forms"
          options={states}
          value={editor.areThumbnailsOn}
          onChange={(areThumbnailsOn) => set({ areThumbnailsOn })}
        />
        <SegmentedField
          label="Colour depth while editing, bits"
          options={depths}
          value={editor.workingDepthBits === null ? 'unknown' : String(editor.workingDepthBits)}
          onChange={(value) =>
            set({ workingDepthBits: value === '8' ? 8 : value === '16' ? 16 : value === '32' ? 32 : null })
          }
        />
        <NumberField
          label="Memory it may take, if set"
          unit="GB"
          minValue={0.1}
          maxValue={4096}
          fractionDigits={1}
          value={toGigabytes(editor.memoryGivenMib)}
          onChange={(value) => set({ memoryGivenMib: toMib(value) })}
        />
        <NumberField
          label={
            playsByOf(card) === 'computing-first'
              ? 'Memory for computed pictures'
              : 'Memory it keeps for ready pictures, if set'
          }
          unit="GB"
          minValue={0.1}
          maxValue={4096}
          fractionDigits={1}
          value={toGigabytes(editor.previewMemoryMib)}
          onChange={(value) => set({ previewMemoryMib: toMib(value) })}
        />
      </FieldGrid>
      <Spaced $abovePx={12}>
        <Disclosure label="What it does while drawing">
          <FieldGrid $leastPx={260}>
            {drawingHabitIds.map((id) => (
              <SegmentedField<KnownState>
                key={id}
                label={habitTexts[id]}
                options={states}
                value={editor.habits[id]}
                onChange={(value) => set({ habits: { ...editor.habits, [id]: value } })}
              />
            ))}
          </FieldGrid>
        </Disclosure>
      </Spaced>
    </Sheet>
  );
}
