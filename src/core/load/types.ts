import type { ChromaFormat } from '../footage/types';
import type { KnownState } from '../machine/facts';
import type { Range } from '../numbers/percentile';
import type { DrawingHabitId } from './drawing-habits';
import type { EffectKind, EffectStrength } from './effect-costs';

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
  /** How even its frames are in size; null where nobody read them. */
  readonly sizeEvenness: number | null;
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

/** Measured here, said by a person, or what stands where nobody said. */
export type KnownFrom = 'measured' | 'stated' | 'assumed';

export interface SetupMachine {
  readonly coreCount: number;
  /** One core against the reference core, at full power. */
  readonly coreSpeedRatio: number;
  /** What the speed is known from, which says how uncertain it is. */
  readonly speedFrom: KnownFrom;
  /** The most threads that decoding gains from. */
  readonly decodeThreadCount: number;
  readonly powerRatio: number;
  readonly memoryMib: number;
  readonly graphicsRatio: number;
  /** Whether a person said what graphics there are. */
  readonly areGraphicsStated: boolean;
  readonly graphicsYear: number;
  readonly decodeMegapixelPerSec: number;
  /** The decoder of the graphics was measured here, so that its rate is no guess by kind. */
  readonly isHardwareMeasured: boolean;
  /**
   * The rate at which the graphics were seen to decode here, whatever is supposed of their driver; null where they were
   * not. It decides which clips are listed for proxies, and nothing of how they play.
   */
  readonly seenDecodeMegapixelPerSec: number | null;
  readonly graphicsMemoryMib: number;
  readonly hasSecondGraphics: KnownState;
  readonly isThin: KnownState;
  readonly systemDriveFreeRatio: number;
  /** Where the editor keeps its caches. */
  readonly cacheDrive: StreamDrive;
}

export interface SetupEffect {
  readonly kind: EffectKind;
  /** On how many of the layers that are drawn at once. */
  readonly layerCount: number;
  readonly strength: EffectStrength;
}

export interface SetupTimeline {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frameRateFps: number;
  /** Moving pictures drawn at once, at least 1. */
  readonly videoLayerCount: number;
  /** Titles, stills and graphics drawn over them at once. */
  readonly titleCount: number;
  /** Moving pictures that lie wholly under another and are drawn all the same. */
  readonly coveredLayerCount: number;
  /** Tracks for pictures, empty ones too; null where nobody counted them. */
  readonly trackCount: number | null;
  /** Whether anything shows through an upper layer. */
  readonly isBlendingNeeded: KnownState;
  /** Null where nobody said. */
  readonly cutsPerMinute: number | null;
  /** How long the film is; null where nobody said. */
  readonly lengthMin: number | null;
  readonly transitionRatio: number;
  readonly unusedClipCount: number;
  /** Whether a person said how many layers and which effects lie on it; if not, more may lie there than is listed. */
  readonly areLayersStated: boolean;
  readonly areEffectsStated: boolean;
  /** A change has taken away what was not listed along with what was. */
  readonly hasOnlyListedEffects: boolean;
  readonly hasOnlyListedLayers: boolean;
  readonly effects: readonly SetupEffect[];
}

export interface SetupPreview {
  /** Preview quality as a fraction of full: 1, 1/2, 1/4 … */
  readonly qualityRatio: number;
  /** The qualities that the editor has, in the person's words; empty where nobody said. Read only where fixes are offered. */
  readonly qualities: string;
  /** Height at which the preview is drawn, or null where it follows the quality alone. */
  readonly heightPx: number | null;
  /** How high the viewer is on the screen, in lines, or null where nobody said. */
  readonly viewerHeightPx: number | null;
  readonly areEffectsBypassed: boolean;
  readonly hardwareDecode: KnownState;
  readonly graphicsDrawing: KnownState;
  /** Quality while the playhead is moved, if it is coarser then. */
  readonly movingQualityRatio: number;
  readonly isBlending: boolean;
  readonly workingDepthBits: 8 | 16 | 32;
  /** How much of each drawing habit's cost counts: 0 off, 1 on, between where nobody knows. */
  readonly habits: Readonly<Record<DrawingHabitId, number>>;
  /** The heavy ranges have been computed beforehand and play from files. */
  readonly isPrerendered: boolean;
}

/** How the editor goes about its work, as far as it is known or set. */
export interface SetupEditor {
  readonly playsBy: 'streaming' | 'computing-first' | 'unknown';
  readonly lateFrames: 'skipped' | 'all-played' | 'unknown';
  /** Memory that the editor may take, or null where nobody set it. */
  readonly memoryGivenMib: number | null;
  readonly previewMemoryMib: number | null;
  /** Told to decode with all cores. */
  readonly areThreadsRaised: boolean;
  readonly areThumbnailsOn: KnownState;
  readonly areFilesKeptOpen: boolean;
  /** Whether the graphics draw the editor's own windows as well; taken to be so until switched off. */
  readonly arePanelsOnGraphics: boolean;
  /** Decoded pictures are kept in memory for jumps. */
  readonly isSpeedFavoured: boolean;
  /** Seconds that must play in one go. */
  readonly spanSec: number;
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
  readonly editor: SetupEditor;
  /** What the film is delivered as; null where nobody said. */
  readonly delivered: { readonly heightPx: number | null; readonly frameRateFps: number | null };
  /** Programs that run beside the editor. */
  readonly programs: readonly SetupProgram[];
  /** Whether the programs are from a list of all that runs. */
  readonly areProgramsSeen: boolean;
  /** The rate to reach, frames a second. */
  readonly targetFps: number;
}

/** Troubles that a set-up can have without anybody knowing; each from 0 (absent) to 1 (as bad as its severity says). */
export const troubleIds = [
  'programs',
  'power',
  'heat',
  'hardwareDecode',
  'graphicsDrawing',
  'graphicsMemory',
  'drive',
  'systemDrive',
  'cache',
  'memory',
  'builds',
  'software',
  'unexplained',
] as const;
export type TroubleId = (typeof troubleIds)[number];

/** What is true but unknown: how the editor works, what did not take effect, and what is wrong. */
export interface Hidden {
  /** Whether proxies that exist belong to their originals in the editor's eyes. */
  readonly areProxiesAttached: boolean;
  /** Whether proxies that exist are what the preview really shows. */
  readonly areProxiesShown: boolean;
  /** The greatest preview quality at which the editor shows proxies: 1 in most, a half or less in some. */
  readonly proxiesUpToRatio: number;
  /** Whether an open panel decodes the original a second time. */
  readonly isPanelReadingOriginals: boolean;
  /** At which picture size the editor computes effects. */
  readonly effectsAt: 'clip' | 'project' | 'preview' | 'unknown';
  /** Whether hardware decoding is really on, whatever is set; "unknown": as it is set. */
  readonly hardwareDecode: KnownState;
  readonly graphicsDrawing: KnownState;
  /** Whether the slower of two graphics does the work. */
  readonly isOnSlowGraphics: boolean;
  readonly troubles: Readonly<Record<TroubleId, number>>;
}

/** A set-up in which nothing is wrong. */
export const noTroubles = Object.fromEntries(troubleIds.map((id) => [id, 0])) as Readonly<Record<TroubleId, number>>;

/** What is assumed of the hidden state until something speaks against it. */
export const usualHidden: Hidden = {
  areProxiesAttached: true,
  areProxiesShown: true,
  proxiesUpToRatio: 1,
  isPanelReadingOriginals: false,
  effectsAt: 'unknown',
  hardwareDecode: 'unknown',
  graphicsDrawing: 'unknown',
  isOnSlowGraphics: false,
  troubles: noTroubles,
};

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
  /** Of the rate at which the decoder of the graphics works. */
  readonly hardwareDecodeFactor: number;
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
  readonly effectsAtRank: number;
  readonly playsByRank: number;
  /** Rank that decides whether more lies on the timeline than is listed, and how much. */
  readonly unlistedEffectsRank: number;
  readonly unlistedLayersRank: number;
  /** Rank that decides whether the editor blends the lowest picture and every empty track with nothing. */
  readonly idleBlendRank: number;
  /** Of blending a layer, and of handing the picture to the screen, beside what drawing is off by: editors do either in very different ways. */
  readonly layerFactor: number;
  readonly showFactor: number;
  readonly openingFactor: number;
  /** What the cost of a frame is off by on the whole, whatever is changed of the set-up: it is read once, and holds for what is expected. */
  readonly frameFactor: number;
  readonly graphicsMemoryFactor: number;
  /** How bad each trouble is where it is present, 0 to 1. */
  readonly programsSeverity: number;
  readonly powerSeverity: number;
  readonly heatSeverity: number;
  readonly hardwareDecodeSeverity: number;
  readonly graphicsDrawingSeverity: number;
  readonly graphicsMemorySeverity: number;
  readonly driveSeverity: number;
  readonly systemDriveSeverity: number;
  readonly cacheSeverity: number;
  readonly memorySeverity: number;
  readonly buildsSeverity: number;
  readonly softwareSeverity: number;
  readonly unexplainedSeverity: number;
}

/** One typed array a parameter, all of one length. */
export type ParameterSamples = { readonly [K in keyof Parameters]: Float64Array };

/** A term of what a film itself takes: decoding, effects, layers, or the size at which it is scaled and shown. */
export type LoadTerm = 'decode' | 'effects' | 'layers' | 'size';

/** Which stretch of the timeline: the heaviest quarter of the footage, all of it on average, or a transition. */
export type PlayingMoment = 'heaviest' | 'usual' | 'transition';

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
  /** The slowest tenth of jumps, into the dearest quarter of the footage. */
  readonly scrubSlowMs: number;
  /** Share of a usual jump for which its drive is read, and for which the cores work, 0 to 1. */
  readonly scrubReadRatio: number;
  readonly scrubCoreRatio: number;
  /** Shown rate after some ten minutes of work. */
  readonly laterFps: number;
  /** Waiting for a picture in the viewer for single clips. */
  readonly lookMs: number;
  /** How long the picture stands at a cut. */
  readonly cutMs: number;
  /** How long the picture stands at the longest within a clip: between two frames, or held by the system. */
  readonly standMs: number;
  readonly openingSec: number;
  /** Seconds that fit into preview memory, where the editor computes first; else as good as endless. */
  readonly fitSec: number;
  /** Share of all cores in use while playing, 0 to 1. */
  readonly coreUseRatio: number;
  /** How many cores' worth of work the editor itself does while playing, what it builds meanwhile included. */
  readonly editorCores: number;
  /** How busy the footage's drive is while playing, 0 to 1. */
  readonly driveUseRatio: number;
  /** How busy drawing keeps the graphics while playing, 0 to 1; 0 where the processor draws. */
  readonly graphicsUseRatio: number;
  /** Graphics memory in use over graphics memory there is; above 1 the pictures do not fit. */
  readonly graphicsMemoryRatio: number;
  /** Frames a second that a plain player reaches with the main clips, against their own rate. */
  readonly plainRatio: number;
  /** Memory wanted over memory there is. */
  readonly memoryRatio: number;
}

/** Stages of the middle sample and the ranges over all samples. */
export interface FrameForecast {
  readonly stages: readonly StageCost[];
  readonly bindingLane: LaneId;
  readonly shownFps: Range;
  readonly scrubMs: Range;
}
