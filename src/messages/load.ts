import type { CauseId } from '@/core/causes';
import type { EffectKind, EffectStrength, LaneId, SetupEffect, StageId } from '@/core/load';
import { causeTitles } from './cause-titles';

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
    title: causeTitles['programs-busy'],
    short: 'programs are busy',
    why: 'The editor would be quick enough on its own, and does not get the cores or the memory that it needs.',
  },
  'power-or-heat': {
    title: causeTitles['power-or-heat'],
    short: 'processor held back',
    why: 'A power mode or heat keeps the processor below its speed; at full speed the preview should be usable.',
  },
  'memory-short': {
    title: causeTitles['memory-short'],
    short: 'memory runs short',
    why: 'More memory is wanted than there is, so the system moves data to the drive and back while you play.',
  },
  'drive-slow': {
    title: causeTitles['drive-slow'],
    short: 'the drive is too slow',
    why: 'The footage does not arrive as fast as it must be played.',
  },
  'hardware-decode-off': {
    title: causeTitles['hardware-decode-off'],
    short: 'hardware decoding off',
    why: 'This machine’s graphics can probably decode these clips, and the processor does it instead.',
  },
  'graphics-drawing-off': {
    title: causeTitles['graphics-drawing-off'],
    short: 'drawn on the processor',
    why: 'Effects and layers are computed on the processor although there are graphics for it.',
  },
  'decode-heavy': {
    title: causeTitles['decode-heavy'],
    short: 'footage too heavy',
    why: 'Turning the stored footage back into pictures takes longer than a frame may take, before anything is made smaller.',
  },
  'effects-heavy': {
    title: causeTitles['effects-heavy'],
    short: 'effects too heavy',
    why: 'Computing the effects takes longer than a frame may take. They cost by the pixel of the preview.',
  },
  'layers-heavy': {
    title: causeTitles['layers-heavy'],
    short: 'blending too heavy',
    why: 'Laying pictures and titles over each other takes longer than a frame may take. Some editors blend a single clip too, and every empty track.',
  },
  'preview-too-large': {
    title: causeTitles['preview-too-large'],
    short: 'preview too large',
    why: 'Scaling the picture and handing it to the screen takes longer than a frame may take.',
  },
  'preview-overdone': {
    title: causeTitles['preview-overdone'],
    short: 'extra work in the preview',
    why: 'For each picture the editor does things that cutting does not need: a fine filter, a great working depth, a second output.',
  },
  'system-drive-full': {
    title: causeTitles['system-drive-full'],
    short: 'system drive full',
    why: 'Without room the system cannot swap or cache, and everything waits for the drive now and then.',
  },
  'cache-misplaced': {
    title: causeTitles['cache-misplaced'],
    short: 'cache on a slow drive',
    why: 'Every frame asks the cache, and it answers late.',
  },
  'software-stale': {
    title: causeTitles['software-stale'],
    short: 'software out of date',
    why: 'Old drivers, an old editor or damaged settings make everything take longer.',
  },
  'hardware-decode-unreliable': {
    title: causeTitles['hardware-decode-unreliable'],
    short: 'hardware decoding bad',
    why: 'The graphics decode, and more slowly than the processor would: a faulty driver, or more streams than they take.',
  },
  'graphics-drawing-unreliable': {
    title: causeTitles['graphics-drawing-unreliable'],
    short: 'graphics drawing bad',
    why: 'The graphics draw, and more slowly than the processor would: usually a faulty driver.',
  },
  'graphics-memory-short': {
    title: causeTitles['graphics-memory-short'],
    short: 'graphics memory short',
    why: 'The pictures do not fit into the memory of the graphics, so they are moved to and fro.',
  },
  'wrong-graphics': {
    title: causeTitles['wrong-graphics'],
    short: 'wrong graphics',
    why: 'The machine has two sets of graphics, and the editor uses the slower.',
  },
  'building-previews': {
    title: causeTitles['building-previews'],
    short: 'editor is building',
    why: 'Thumbnails, wave forms, an index or previews are made while you work, and take the cores.',
  },
  'proxies-not-shown': {
    title: causeTitles['proxies-not-shown'],
    short: 'proxies not shown',
    why: 'The small copies lie there, and the preview still decodes the originals.',
  },
  'panel-reads-originals': {
    title: causeTitles['panel-reads-originals'],
    short: 'a panel decodes too',
    why: 'A second viewer, a scope, or a panel for cropping or animation draws from the original file and decodes it once more, proxies or not.',
  },
  'project-mismatch': {
    title: causeTitles['project-mismatch'],
    short: 'project too large',
    why: 'Every frame is computed larger, or more often a second, than the film will have.',
  },
  'nothing-explains-it': {
    title: causeTitles['nothing-explains-it'],
    short: 'nothing explains it',
    why: 'What was read fits none of the causes that Oil Can knows.',
  },
};

/** Effects as the trade calls them. */
export const effectLabels: Readonly<Record<EffectKind, string>> = {
  'simple-colour': 'Brightness, contrast, saturation',
  'colour-curves': 'Colour curves or a look-up table',
  blur: 'Soft blur',
  'box-blur': 'Box blur',
  denoise: 'Noise reduction',
  sharpen: 'Sharpening',
  zoom: 'Zoom or move',
  rotate: 'Rotation',
  mask: 'Mask',
  keying: 'Keying (green screen)',
  stabilise: 'Stabilising',
  retime: 'Slow motion or speed change',
  'layers-3d': 'Layers in depth (3-D)',
};

/** How strong an effect is set. */
export const strengthLabels: Readonly<Record<EffectStrength, string>> = {
  slight: 'slight',
  usual: 'usual',
  strong: 'strong',
};

/** An effect with how strong it is, where that is not as usual: "Noise reduction (strong)". */
export const nameEffect = ({ kind, strength }: Pick<SetupEffect, 'kind' | 'strength'>): string =>
  strength !== 'usual' ? `${effectLabels[kind]} (${strengthLabels[strength]})` : effectLabels[kind];
