import { changeClips, withEditor, withOneLayer, withPreview, withTimeline } from '../../load/change-state';
import type { DrawingHabitId } from '../../load/drawing-habits';
import { hasReach } from '../../load/effect-costs';
import { previewHeightPx } from '../../load/preview-picture';
import { mayHoldEffects, mayHoldLayers } from '../../load/state-facts';
import type { PictureStream, SetupEffect, SetupState } from '../../load/types';
import { define, numberLevel } from '../define';
import { type FixId, type FixLevel, qualityRatioOf } from '../fix-facts';
import { seenHeightPx, smallerPictureSacrifice, suggestedHeightsPx } from '../preview-level';
import { qualityLevelsOf } from '../preview-qualities';
import type { FixDefinition } from '../types';

const withQuality = (state: SetupState, level: FixLevel): SetupState => {
  const qualityRatio = qualityRatioOf(level);
  if (qualityRatio === null) throw new Error(`lower-preview-quality: level ${level} is no fraction of full`);
  return withPreview(state, { qualityRatio });
};

const withHeight = (state: SetupState, level: FixLevel): SetupState =>
  withPreview(state, { heightPx: numberLevel('smaller-preview-height', level) });

/** A thing done while drawing that is switched off; offered unless it is known to be off. */
const withoutHabit = (id: FixId, habit: DrawingHabitId, minutes: number, picture = 0): FixDefinition<FixId> =>
  define(id, {
    levelsFor: ({ setup }) => setup.preview.habits[habit] > 0,
    applyTo: (state) => withPreview(state, { habits: { ...state.setup.preview.habits, [habit]: 0 } }),
    minutes,
    sacrifice: picture > 0 ? { picture, putBack: 0.1 } : { functions: 0.05 },
  });

/** An effect that reaches far, and takes longer for it. */
const isStrong = ({ kind, strength }: SetupEffect): boolean => strength === 'strong' && hasReach(kind);

/** Share of a raw picture's bits that half of its size is decoded from: it is stored size upon size. Assumption. */
const halfRawBits = 0.4;

/** Footage that is stored nearly as the sensor saw it. */
const isRaw = (stream: PictureStream): boolean => stream.bitDepth >= 12 && stream.meanKeyFrameDistanceFrames <= 1;

/** Seeing less, or less often, while editing. */
export const lookingFixes = [
  define('lower-preview-quality', {
    levelsFor: ({ setup }) =>
      qualityLevelsOf(setup.preview).filter((level) => (qualityRatioOf(level) ?? 1) < setup.preview.qualityRatio),
    applyTo: withQuality,
    minutes: 2,
    sacrifice: (state, level) => smallerPictureSacrifice(withQuality(state, level)),
  }),
  define('smaller-preview-height', {
    levelsFor: (state) => {
      const { timeline, preview } = state.setup;
      return suggestedHeightsPx(seenHeightPx(state)).filter(
        (heightPx) => heightPx < previewHeightPx(timeline, preview),
      );
    },
    applyTo: withHeight,
    minutes: 2,
    sacrifice: (state, level) => smallerPictureSacrifice(withHeight(state, level)),
  }),
  define('coarser-while-moving', {
    levelsFor: ({ setup }) => setup.preview.movingQualityRatio > 0.25,
    applyTo: (state) => withPreview(state, { movingQualityRatio: 0.25 }),
    minutes: 2,
    sacrifice: { picture: 0.03 },
  }),
  define('skip-late-frames', {
    levelsFor: ({ setup }) => setup.editor.lateFrames !== 'skipped',
    applyTo: (state) => withEditor(state, { lateFrames: 'skipped' }),
    minutes: 2,
    sacrifice: { picture: 0.05 },
    excludes: ['play-every-frame-slowly'],
  }),
  define('play-every-frame-slowly', {
    levelsFor: ({ setup }) => setup.editor.lateFrames !== 'all-played',
    applyTo: (state) => withEditor(state, { lateFrames: 'all-played' }),
    minutes: 2,
    sacrifice: { functions: 0.5 },
  }),
  define('play-short-span', {
    levelsFor: ({ setup }) => setup.editor.playsBy !== 'streaming' && setup.editor.spanSec > 3,
    applyTo: (state) => withEditor(state, { spanSec: 3 }),
    minutes: 2,
    sacrifice: { functions: 0.3 },
  }),
  define('bypass-effects', {
    levelsFor: (state) => mayHoldEffects(state) && !state.setup.preview.areEffectsBypassed,
    applyTo: (state) => withPreview(state, { areEffectsBypassed: true }),
    minutes: 2,
    sacrifice: { picture: 0.35, functions: 0.2, putBack: 0.6 },
  }),
  define('weaken-effects', {
    levelsFor: ({ setup }) => setup.timeline.effects.some(isStrong) && !setup.preview.areEffectsBypassed,
    applyTo: (state) =>
      withTimeline(state, {
        effects: state.setup.timeline.effects.map((effect) =>
          isStrong(effect) ? { ...effect, strength: 'slight' as const } : effect,
        ),
      }),
    minutes: 4,
    sacrifice: { picture: 0.15, putBack: 0.5 },
    excludes: ['bypass-effects'],
  }),
  define('stop-blending', {
    // From one clip on: some editors blend even a single picture, with nothing.
    levelsFor: ({ setup }) => setup.preview.isBlending && !setup.preview.isPrerendered,
    applyTo: (state) => withPreview(state, { isBlending: false }),
    minutes: 3,
    // Where nothing shows through, nothing is lost by it.
    sacrifice: ({ setup }) =>
      setup.timeline.isBlendingNeeded === 'no'
        ? { putBack: 0.1 }
        : { picture: setup.timeline.isBlendingNeeded === 'yes' ? 0.4 : 0.2, putBack: 0.4 },
  }),
  define('solo-track', {
    levelsFor: mayHoldLayers,
    applyTo: withOneLayer,
    minutes: 2,
    sacrifice: { picture: 0.5, functions: 0.4, putBack: 0.5 },
    excludes: ['stop-blending', 'hide-covered-clips'],
  }),
  define('hide-covered-clips', {
    levelsFor: ({ setup }) => setup.timeline.coveredLayerCount > 0,
    applyTo: (state) => withTimeline(state, { coveredLayerCount: 0 }),
    minutes: 5,
    sacrifice: { functions: 0.05 },
  }),
  define('lower-working-depth', {
    levelsFor: ({ setup }) => setup.preview.workingDepthBits > 8,
    applyTo: (state) => withPreview(state, { workingDepthBits: 8 }),
    minutes: 3,
    sacrifice: { picture: 0.15, putBack: 0.6 },
  }),
  withoutHabit('cheaper-scaling-filter', 'fine-scaling', 3, 0.05),
  withoutHabit('cheaper-colour-conversion', 'exact-colour', 3, 0.1),
  define('lower-raw-decode', {
    levelsFor: ({ setup }) => setup.clips.some((clip) => isRaw(clip.original)),
    applyTo: (state) =>
      changeClips(state, 'half raw', (clip) =>
        isRaw(clip.original)
          ? {
              ...clip,
              original: {
                ...clip.original,
                widthPx: Math.ceil(clip.original.widthPx / 2),
                heightPx: Math.ceil(clip.original.heightPx / 2),
                bitrateMbitPerSec: halfRawBits * clip.original.bitrateMbitPerSec,
              },
            }
          : clip,
      ),
    minutes: 3,
    sacrifice: { picture: 0.1, putBack: 0.5 },
  }),
  define('simpler-3d-drawing', {
    levelsFor: ({ setup }) => setup.timeline.effects.some((effect) => effect.kind === 'layers-3d'),
    applyTo: (state) =>
      withTimeline(state, { effects: state.setup.timeline.effects.filter((effect) => effect.kind !== 'layers-3d') }),
    minutes: 3,
    sacrifice: { picture: 0.25, putBack: 0.5 },
  }),
  withoutHabit('hide-drawings-on-picture', 'drawings-on-picture', 1),
  withoutHabit('switch-off-unused-output', 'second-output', 2),
  withoutHabit('low-resolution-window', 'dense-window', 4, 0.05),
];
