import type { ChromaFormat } from '../footage/types';
import type { KnownState } from '../machine/facts';
import type { Range } from '../numbers/percentile';
import type { EffectKind } from './effect-costs';

/** Parts of a frame's time, in the order in which a frame passes through them. */
export const stageIds = ['read', 'decode', 'scale', 'effects', 'layers', 'show'] as const;
export type StageId = (typeof stageIds)[number];

/** Stages on one lane follow each other; lanes overlap like a production line. */
export const laneIds = ['drive', 'decoder', 'drawing'] as const;
export type LaneId = (typeof laneIds)[number];

export const laneOfStage: Readonly<Record<StageId, LaneId>> = {
  read: 'drive',
  decode: 'decoder',
  scale: 'drawing',
  effects: 'drawing',
  layers: 'drawing',
  show: 'drawing',
};

/** Where a file lies: sustained reading, and the wait before a read begins. */
export interface StreamDrive {
  readonly readMegabytePerSec: number;
  readonly latencyMs: number;
}

/** What a decoder is given: an original or a proxy of it. A still is a stream that costs no decoding. */
export interface PictureStream {
  /** As in the footage's facts, or "still". */
  readonly codec: string;
  readonly bitDepth: number;
  readonly chroma: ChromaFormat;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frameRateFps: number;
  readonly bitrateMbitPerSec: number;
  readonly meanKeyFrameDistanceFrames: number;
  /** Whether the graphics decode it; where unknown, the year of the graphics decides. */
  readonly hardwareDecode: KnownState;
  readonly drive: StreamDrive;
}

export interface SetupClip {
  readonly id: string;
  readonly durationMs: number;
  readonly original: PictureStream;
  readonly proxy: PictureStream | null;
}

export interface SetupMachine {
  readonly coreCount: number;
  /** One core against the reference core, at full power. */
  readonly coreSpeedRatio: number;
  /** Measured here, so that its uncertainty is small. */
  readonly isSpeedMeasured: boolean;
  /** The most threads that decoding gains from. */
  readonly decodeThreadCount: number;
  readonly powerRatio: number;
  readonly memoryMib: number;
  readonly graphicsRatio: number;
  readonly graphicsYear: number;
  readonly decodeMegapixelPerSec: number;
}

export interface SetupEffect {
  readonly kind: EffectKind;
  /** On how many of the layers that are drawn at once. */
  readonly layerCount: number;
}

export interface SetupTimeline {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frameRateFps: number;
  /** Moving pictures drawn at once, at least 1. */
  readonly videoLayerCount: number;
  /** Titles, stills and graphics drawn over them at once. */
  readonly titleCount: number;
  readonly effects: readonly SetupEffect[];
}

export interface SetupPreview {
  /** Preview quality as a fraction of full: 1, 1/2, 1/4 … */
  readonly qualityRatio: number;
  /** Height at which the preview is drawn, or null where it follows the quality alone. */
  readonly heightPx: number | null;
  /** How high the viewer is on the screen, in lines, or null where nobody said. */
  readonly viewerHeightPx: number | null;
  readonly areEffectsBypassed: boolean;
  readonly hardwareDecode: KnownState;
  readonly graphicsDrawing: KnownState;
}

export interface SetupProgram {
  readonly id: string;
  /** Cores kept busy, e.g. 0.5 for half a core. */
  readonly busyCores: number;
  readonly memoryMib: number;
  readonly canClose: KnownState;
}

/** Everything known that a frame's cost depends on; derived from the card by one function. */
export interface Setup {
  readonly machine: SetupMachine;
  readonly clips: readonly SetupClip[];
  readonly timeline: SetupTimeline;
  readonly preview: SetupPreview;
  /** Programs that run beside the editor. */
  readonly programs: readonly SetupProgram[];
  /** The rate to reach, frames a second. */
  readonly targetFps: number;
}

/** What is true but unknown: how the editor works and what did not take effect. */
export interface Hidden {
  /** Whether proxies that exist are what the preview really shows. */
  readonly areProxiesShown: boolean;
  /** Whether an open panel decodes the original a second time. */
  readonly isPanelReadingOriginals: boolean;
  /** At which picture size the editor computes effects. */
  readonly effectsAt: 'clip' | 'project' | 'preview';
}

/** What is assumed of the hidden state until something speaks against it. */
export const usualHidden: Hidden = { areProxiesShown: true, isPanelReadingOriginals: false, effectsAt: 'preview' };

/** What a fix acts on. */
export interface SetupState {
  readonly setup: Setup;
  readonly hidden: Hidden;
}

/** The continuous unknowns of one sample; factors are multiples of what the tables say. */
export interface Parameters {
  readonly coreSpeedFactor: number;
  readonly decodeFactor: number;
  readonly drawFactor: number;
  readonly graphicsFactor: number;
  readonly driveFactor: number;
  readonly busyFactor: number;
  readonly memoryFactor: number;
  /** How well lanes overlap: 0 one after another, 1 as a perfect production line. */
  readonly overlapRatio: number;
  /** Threads that the editor decodes with. */
  readonly decodeThreadCount: number;
  /** Rank, 0 to 1, that decides a yes or no which nobody knows (hardware decoding, drawing on the graphics). */
  readonly hardwareDecodeRank: number;
  readonly graphicsDrawingRank: number;
}

/** One typed array a parameter, all of one length. */
export type ParameterSamples = { readonly [K in keyof Parameters]: Float64Array };

/** Which stretch of the timeline: the heaviest quarter of the footage, or all of it on average. */
export type PlayingMoment = 'heaviest' | 'usual';

export interface StageCost {
  readonly id: StageId;
  readonly lane: LaneId;
  readonly ms: number;
}

/** The cost of a frame, spelled out for one sample. */
export interface FrameEstimate {
  readonly stages: readonly StageCost[];
  readonly laneMs: Readonly<Record<LaneId, number>>;
  readonly bindingLane: LaneId;
  readonly intervalMs: number;
  readonly shownFps: number;
  readonly scrubMs: number;
}

/** Stages of the middle sample and the ranges over all samples. */
export interface FrameForecast {
  readonly stages: readonly StageCost[];
  readonly bindingLane: LaneId;
  readonly shownFps: Range;
  readonly scrubMs: Range;
}
