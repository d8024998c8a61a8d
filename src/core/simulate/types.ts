import type { CardEditor, CardEffect } from '../card/types';

/** How a simulated editor goes about its preview. */
export const playerDesigns = ['in-turn', 'ahead', 'clip-size', 'on-graphics', 'computing-first'] as const;
export type PlayerDesign = (typeof playerDesigns)[number];

/** A stored picture stream as the simulated player meets it. */
export interface RigStream {
  readonly codec: string;
  readonly isDeep: boolean;
  /** Stored nearly as the sensor saw it, so that half of its size can be read and decoded alone. */
  readonly isRaw?: boolean;
  /** Samples a pixel against 4:2:0. */
  readonly chromaRatio: number;
  readonly megapixels: number;
  readonly heightPx: number;
  readonly megabitsPerFrame: number;
  readonly fps: number;
  /** Frames from one key frame to the next; 1 where every frame is one. */
  readonly keyEveryFrames: number;
  /** Whether the decoder of the graphics takes it. */
  readonly canHardware: boolean;
  readonly drive: RigDrive;
}

export interface RigDrive {
  readonly megabytePerSec: number;
  readonly seekMs: number;
}

export interface RigClip {
  readonly seconds: number;
  readonly original: RigStream;
  /** A small copy, once it has been made; whether it is used is the rig's. */
  readonly copy: RigStream | null;
}

export interface RigEffect {
  readonly kind: CardEffect['kind'];
  readonly layerCount: number;
  readonly strength: CardEffect['strength'];
}

export interface RigProgram {
  readonly busyCores: number;
  readonly memoryMib: number;
  readonly isClosable: boolean;
}

/**
 * A simulated machine with an editor and a film on it, whole: what the person knows and what they do not.
 * Faults are numbers that are healthy at the value named beside them.
 */
export interface Rig {
  readonly design: PlayerDesign;
  readonly coreCount: number;
  /** One core against the simulator's own unit, a 2.5 GHz server core. */
  readonly coreSpeed: number;
  readonly threadCount: number;
  readonly memoryMib: number;
  readonly editorGivenMib: number | null;
  readonly previewMemoryMib: number;
  readonly graphics: {
    readonly speed: number;
    readonly slowSpeed: number;
    readonly memoryMib: number;
    readonly decodeMegapixelPerSec: number;
  };
  readonly isDrawingOnGraphics: boolean;
  readonly isDecodingOnGraphics: boolean;
  readonly systemDrive: RigDrive;
  readonly cacheDrive: RigDrive;
  readonly clips: readonly RigClip[];
  readonly unusedClipCount: number;
  readonly timeline: {
    readonly widthPx: number;
    readonly heightPx: number;
    readonly fps: number;
    readonly layerCount: number;
    readonly coveredLayerCount: number;
    readonly titleCount: number;
    /** Tracks for pictures, empty ones too. */
    readonly trackCount: number;
    readonly isSeenThrough: boolean;
    readonly effects: readonly RigEffect[];
    readonly cutsPerMinute: number;
    readonly lengthMin: number;
  };
  readonly deliveredHeightPx: number | null;
  readonly preview: {
    readonly ratio: number;
    readonly heightPx: number | null;
    readonly movingRatio: number;
    readonly seenHeightPx: number;
    readonly areEffectsOn: boolean;
    readonly isBlending: boolean;
    /** Whether even a single picture is blended with nothing, and every empty track. */
    readonly isIdleBlended: boolean;
    readonly depthRatio: number;
    readonly habits: readonly (keyof CardEditor['habits'])[];
    /** Pre-rendered where it was heavy. */
    readonly isRendered: boolean;
  };
  readonly areLateFramesSkipped: boolean;
  readonly areThumbnailsMade: boolean;
  readonly areFilesKeptOpen: boolean;
  readonly programs: readonly RigProgram[];
  readonly targetFps: number;
  readonly faults: RigFaults;
  /** How far this machine's costs are off the simulator's table, a factor a topic. */
  readonly quirks: RigQuirks;
}

export interface RigFaults {
  /** Cores taken by programs nobody listed: 0. */
  readonly unlistedCores: number;
  readonly unlistedMib: number;
  /** Share of its speed that the processor has: 1. */
  readonly powerShare: number;
  /** Share that is left after ten minutes of load: 1. */
  readonly heatShare: number;
  /** Times as long as sound hardware decoding takes: 1. */
  readonly hardwareSlowdown: number;
  /** Times as long as sound drawing on the graphics takes: 1. */
  readonly graphicsSlowdown: number;
  readonly isOnSlowGraphics: boolean;
  /** Graphics memory that something else holds: 0. */
  readonly graphicsTakenMib: number;
  /** Share of its speed that the drive with the footage gives: 1. */
  readonly driveShare: number;
  /** Part of the time for which the system drive is out of room and stalls everything: 0. */
  readonly systemDriveStall: number;
  /** Milliseconds a frame that the cache's place costs: 0. */
  readonly cacheWaitMs: number;
  /** Memory that leaks away: 0. */
  readonly leakMib: number;
  /** Cores that the editor's own building takes: 0. */
  readonly buildCores: number;
  readonly areCopiesAttached: boolean;
  readonly areCopiesShown: boolean;
  /** The greatest preview ratio at which copies are shown: 1. */
  readonly copiesUpToRatio: number;
  readonly isPanelOnOriginals: boolean;
  /** Times as long as everything takes in an up-to-date editor: 1. */
  readonly staleness: number;
  /** Milliseconds a frame that nothing in any catalogue explains: 0. */
  readonly oddMs: number;
}

export interface RigQuirks {
  readonly decode: number;
  readonly draw: number;
  readonly graphics: number;
  readonly drive: number;
  readonly memory: number;
  readonly opening: number;
}

/** What somebody with a stop watch would find. */
export interface RigOutcome {
  /** New pictures a second over 20 s of playing, soon after starting and after ten minutes. */
  readonly shownFps: number;
  readonly laterFps: number;
  readonly longestFreezeMs: number;
  /** When each of those pictures came, in milliseconds from pressing play: soon after starting, and later. */
  readonly shownAtMs: readonly number[];
  readonly laterShownAtMs: readonly number[];
  readonly scrubMs: number;
  readonly scrubSlowTenthMs: number;
  /** Share of the waiting at jumps for which the footage's drive is read, and for which the cores work, 0 to 1. */
  readonly jumpDriveRatio: number;
  readonly jumpCoreRatio: number;
  readonly lookMs: number;
  readonly openingSec: number;
  readonly cutFreezeMs: number;
  /** Seconds of film that fit into the preview memory, where it computes first; else as good as endless. */
  readonly fitSec: number;
  /** Share of all cores in use while playing, 0 to 1. */
  readonly coreUseRatio: number;
  /** How many cores' worth of work the editor itself does while playing, what it builds meanwhile included. */
  readonly editorCores: number;
  /** How busy the footage's drive is while playing. */
  readonly driveUseRatio: number;
  /** Share of the time for which the graphics draw while playing, 0 to 1. */
  readonly graphicsUseRatio: number;
  /** How fast a plain player decodes the main clips, against their own rate. */
  readonly plainPlayerRatio: number;
}
