import type { CauseId } from '@/core/causes';
import type { EffectKind, LaneId, StageId } from '@/core/load';

/** Stages as they stand on bars and in sentences. */
export const stageTexts: Readonly<Record<StageId, { readonly label: string; readonly what: string }>> = {
  read: { label: 'read', what: 'fetching the footage from the drive' },
  decode: { label: 'decode', what: 'turning the stored footage back into pictures' },
  scale: { label: 'scale', what: 'bringing each picture to the preview’s size' },
  effects: { label: 'effects', what: 'colour, blur and other effects' },
  layers: { label: 'layers', what: 'laying pictures and titles over each other' },
  show: { label: 'show', what: 'handing the finished picture to the screen' },
};

/** Lanes work at the same time; stages on one lane follow each other. */
export const laneLabels: Readonly<Record<LaneId, string>> = {
  drive: 'Drive',
  decoder: 'Decoder',
  drawing: 'Drawing',
};

interface CauseText {
  readonly title: string;
  /** Short, for the rail and the cards. */
  readonly short: string;
  readonly why: string;
}

/** What a cause is called and what it means. */
export const causeTexts: Readonly<Record<CauseId, CauseText>> = {
  'programs-busy': {
    title: 'Other programs keep the processor busy',
    short: 'programs are busy',
    why: 'The editor would be quick enough on its own, and does not get the cores or the memory that it needs.',
  },
  'power-or-heat': {
    title: 'The processor is held back',
    short: 'processor held back',
    why: 'A power mode or heat keeps the processor below its speed; at full speed the preview should be usable.',
  },
  'memory-short': {
    title: 'Memory runs short',
    short: 'memory runs short',
    why: 'More memory is wanted than there is, so the system moves data to the drive and back while you play.',
  },
  'drive-slow': {
    title: 'The drive is too slow for this footage',
    short: 'the drive binds',
    why: 'The footage does not arrive as fast as it must be played.',
  },
  'hardware-decode-off': {
    title: 'Hardware decoding is off',
    short: 'hardware decoding off',
    why: 'This machine’s graphics can probably decode these clips, and the processor does it instead.',
  },
  'graphics-drawing-off': {
    title: 'The editor does not draw on the graphics',
    short: 'drawn on the processor',
    why: 'Effects and layers are computed on the processor although there are graphics for it.',
  },
  'decode-heavy': {
    title: 'The originals are too heavy to decode',
    short: 'decoding binds',
    why: 'Turning the stored footage back into pictures takes longer than a frame may take, before anything is made smaller.',
  },
  'effects-heavy': {
    title: 'The effects are too heavy',
    short: 'effects bind',
    why: 'Computing the effects takes longer than a frame may take. They cost by the pixel of the preview.',
  },
  'layers-heavy': {
    title: 'Too many layers at once',
    short: 'layers bind',
    why: 'Laying pictures and titles over each other takes longer than a frame may take.',
  },
  'preview-too-large': {
    title: 'The preview picture is too large',
    short: 'the picture size binds',
    why: 'Scaling the picture and handing it to the screen takes longer than a frame may take.',
  },
};

/** Effects as the trade calls them. */
export const effectLabels: Readonly<Record<EffectKind, string>> = {
  'simple-colour': 'Brightness, contrast, saturation',
  'colour-curves': 'Colour curves or a look-up table',
  blur: 'Soft blur',
  'box-blur': 'Strong blur',
  denoise: 'Noise reduction',
  sharpen: 'Sharpening',
  zoom: 'Zoom or move',
  rotate: 'Rotation',
  mask: 'Mask',
  keying: 'Keying (green screen)',
  stabilise: 'Stabilising',
  retime: 'Slow motion or speed change',
};
