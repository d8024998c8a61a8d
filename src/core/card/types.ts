import type { infer as InferSchema } from 'zod/mini';
import type { ClipFacts } from '../footage/types';
import type { DrawingHabitId } from '../load/drawing-habits';
import type { EffectKind } from '../load/effect-costs';
import type { DriveKind, GraphicsKind, PowerMode, SpeedClass } from '../machine/catalogue';
import type { Fact, KnownState } from '../machine/facts';
import type { ProgramPercent } from '../machine/program-percent';
import type { MachineTest } from '../machine-test/types';
import type { Confidence, ConfidenceReason, Pace } from '../meter/types';
import type { Rational } from '../numbers/rational';
import type { CloseOutcome } from '../programs/clean-up';
import type { ProgramRole } from '../programs/types';
import type { ProxyFaultCode } from '../proxies/fault-codes';
import type { DecodeTest } from '../test-play/types';
import type {
  clipOrigins,
  correctableFields,
  editorAttachWays,
  filmStages,
  firstThingIds,
  hardwareAnswers,
  jobCardSchema,
  lagKinds,
  lagMoments,
  lateFramePolicies,
  placeIds,
  playFeels,
  playWays,
  proxyStates,
  readingDoings,
  readingMoments,
  readingPasses,
  readingSources,
  readingViewers,
  readingWays,
  scrubFeels,
  statedTimelineFields,
  stepIds,
  trialDirections,
  trialStatuses,
  workingDepthsBits,
} from './schema';

export type PlaceId = (typeof placeIds)[number];
export type FirstThingId = (typeof firstThingIds)[number];
export type LagMoment = (typeof lagMoments)[number];
export type LagKind = (typeof lagKinds)[number];
export type PlayFeel = (typeof playFeels)[number];
export type ReadingMoment = (typeof readingMoments)[number];
export type ReadingDoing = (typeof readingDoings)[number];
export type ReadingPass = (typeof readingPasses)[number];
export type ReadingViewer = (typeof readingViewers)[number];
export type ProxyState = (typeof proxyStates)[number];
export type ScrubFeel = (typeof scrubFeels)[number];
export type FilmStage = (typeof filmStages)[number];
export type StatedTimelineField = (typeof statedTimelineFields)[number];
export type StepId = (typeof stepIds)[number];
export type CorrectableField = (typeof correctableFields)[number];
export type ClipOrigin = (typeof clipOrigins)[number];

export interface CardMachine {
  readonly coreCount: Fact<number>;
  readonly speedClass: Fact<SpeedClass>;
  readonly memoryMib: Fact<number>;
  readonly graphics: Fact<GraphicsKind>;
  readonly graphicsYear: Fact<number>;
  readonly powerMode: Fact<PowerMode>;
  readonly isPluggedIn: Fact<KnownState>;
  readonly footageDrive: Fact<DriveKind>;
  readonly graphicsMemoryMib: Fact<number>;
  readonly hasSecondGraphics: Fact<KnownState>;
  readonly isThin: Fact<KnownState>;
  readonly systemDriveFreePercent: Fact<number>;
  readonly cacheDrive: Fact<DriveKind>;
  readonly programPercent: Fact<ProgramPercent>;
}

/** How the person's editor is set up, before any fix. */
export interface CardEditor {
  readonly playsBy: (typeof playWays)[number];
  readonly proxies: ProxyState;
  readonly proxyHeightPx: number | null;
  readonly proxyCodec: string | null;
  readonly isEveryProxyFrameKey: KnownState;
  readonly proxyQualityRatio: number | null;
  readonly isSourcePanelOpen: KnownState;
  readonly isBuilding: KnownState;
  readonly areThumbnailsOn: KnownState;
  readonly workingDepthBits: (typeof workingDepthsBits)[number] | null;
  readonly lateFrames: (typeof lateFramePolicies)[number];
  readonly memoryGivenMib: number | null;
  readonly previewMemoryMib: number | null;
  readonly habits: Readonly<Record<DrawingHabitId, KnownState>>;
}

export interface CardProgram {
  readonly id: string;
  readonly name: string;
  readonly busyCores: number | null;
  readonly memoryMib: number | null;
  readonly driveMegabytePerSec: number | null;
  readonly peakCores: number | null;
  readonly changeCores: number | null;
  readonly canClose: KnownState;
  readonly role: ProgramRole;
  readonly source: 'typed' | 'read' | 'imported';
  readonly processCount: number | null;
  readonly rootProcessId: number | null;
  readonly outcome: CloseOutcome | null;
}

/** When and how what runs was looked at. */
export interface ProgramsSeen {
  readonly takenAtMs: number;
  readonly source: 'read' | 'imported';
  readonly coversSec: number | null;
  readonly memoryFreeMib: number | null;
}

/** What a second look found after programs were closed. */
export interface ProgramsCheck {
  readonly takenAtMs: number;
  readonly freedCores: number;
  readonly freedMib: number;
  readonly started: readonly string[];
}

/** A drive, and what lies on it. */
export interface CardDrive {
  readonly id: string;
  readonly label: string;
  readonly kind: DriveKind | null;
  readonly sizeGb: number | null;
  readonly freeGb: number | null;
  readonly holds: readonly PlaceId[];
}

/** What a browser says of decoding a clip in hardware. Accepting is a preference, not a proof. */
export interface BrowserAnswer {
  readonly hardware: (typeof hardwareAnswers)[number];
  readonly isSmooth: KnownState;
  readonly isPowerEfficient: KnownState;
}

export interface CardClip {
  readonly id: string;
  readonly facts: ClipFacts;
  readonly origin: ClipOrigin;
  readonly folder: string;
  readonly drive: DriveKind | null;
  readonly correctedFields: readonly CorrectableField[];
  readonly browserAnswer: BrowserAnswer | null;
}

export interface CardEffect {
  readonly id: string;
  readonly kind: EffectKind;
  readonly layerCount: number;
}

export interface CardTimeline {
  readonly stated: readonly StatedTimelineField[];
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frameRate: Rational;
  readonly videoLayerCount: number;
  readonly titleCount: number;
  readonly coveredLayerCount: number;
  readonly isBlendingNeeded: KnownState;
  readonly cutsPerMinute: number | null;
  readonly transitionRatio: number;
  readonly unusedClipCount: number;
  readonly effects: readonly CardEffect[];
}

export interface CardPreview {
  readonly qualityRatio: number;
  readonly heightPx: number | null;
  readonly viewerHeightPx: number | null;
  readonly hardwareDecode: KnownState;
  readonly graphicsDrawing: KnownState;
}

/** A fix at a level; levels are words or numbers, null for a fix that has none. */
export interface FixUse {
  readonly id: string;
  readonly level: string | number | null;
}

/** What the lag meter found, as it is kept. */
export interface MeasuredReading {
  readonly source: (typeof readingSources)[number];
  readonly intervalsMs: readonly number[];
  readonly deadlineMs: number;
  readonly isAtLeast: boolean;
  readonly slowestSecondFps: number;
  readonly worstOnePercentFps: number;
  readonly longestFreezeMs: number;
  readonly freezesPerMinute: number;
  readonly startDelayMs: number;
  readonly settledAfterMs: number;
  readonly settledFps: number;
  readonly pace: Pace;
  readonly confidence: Confidence;
  readonly reason: ConfidenceReason;
  readonly ownLoadRatio: number | null;
}

/** Stutters that a person tapped or counted. */
export interface TappedReading {
  readonly lengthMs: number;
  readonly stutterCount: number;
  readonly freezesMs: readonly number[];
  readonly isTyped: boolean;
}

export interface Reading {
  readonly id: string;
  readonly takenAtMs: number;
  readonly how: (typeof readingWays)[number];
  readonly moment: ReadingMoment;
  readonly shownFps: number | null;
  readonly playFeel: PlayFeel | null;
  readonly scrubFeel: ScrubFeel | null;
  readonly scrubMs: number | null;
  readonly openingSec: number | null;
  readonly waitSec: number | null;
  readonly fitSec: number | null;
  readonly exportMinutes: number | null;
  readonly coreUsePercent: number | null;
  readonly memoryUsePercent: number | null;
  readonly stretch: string;
  readonly viewer: ReadingViewer;
  readonly doing: ReadingDoing;
  readonly withEffects: KnownState;
  readonly pass: ReadingPass;
  readonly isAfterRestart: KnownState;
  readonly measured: MeasuredReading | null;
  readonly tapped: TappedReading | null;
  readonly isGoodEnough: KnownState;
  readonly fixes: readonly FixUse[];
  readonly recorderName: string;
  readonly note: string;
}

export interface Trial {
  readonly id: string;
  readonly fix: FixUse;
  readonly direction: (typeof trialDirections)[number];
  readonly status: (typeof trialStatuses)[number];
  readonly beforeReadingId: string;
  readonly afterReadingId: string | null;
  readonly startedAtMs: number;
  readonly madeAtMs: number | null;
  readonly endedAtMs: number | null;
}

export type EditorAttachWay = (typeof editorAttachWays)[number];

/** What the person's editor can do, in their own words. */
export interface EditorProfile {
  readonly name: string;
  readonly viewers: string;
  readonly previews: string;
  readonly attachWay: EditorAttachWay;
  readonly lacks: readonly string[];
  readonly notes: readonly { readonly fixId: string; readonly text: string }[];
}

/** A named group of preview fixes to switch to while working. */
export interface WorkingSet {
  readonly id: string;
  readonly name: string;
  readonly fixes: readonly FixUse[];
}

/** What is asked and ticked before export beside the put-back list. */
export interface ExportCheckState {
  readonly pointsAtCopies: KnownState;
  readonly ticked: readonly string[];
}

/** An answer to a question that tells causes apart; `questionId` and `answer` are the catalogue's. */
export interface CardAnswer {
  readonly id: string;
  readonly questionId: string;
  readonly answer: string;
  readonly takenAtMs: number;
  readonly fixes: readonly FixUse[];
}

/** How much a cache of the editor holds and may hold, in decimal gigabytes; null where nobody looked. */
export interface CacheRoom {
  readonly usedGb: number | null;
  readonly limitGb: number | null;
}

/** A small copy of a clip, as its file is. */
export interface CardProxy {
  readonly clipId: string;
  readonly fileName: string;
  readonly folderName: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly isEveryFrameKey: boolean;
  readonly sizeBytes: number;
  readonly madeAtMs: number;
  readonly isShown: KnownState;
  /** Null where nobody checked it. */
  readonly faults: readonly ProxyFaultCode[] | null;
}

/** One laggy project on one machine: everything known, measured and changed. */
export interface JobCard {
  readonly format: 'oil-can-job-card';
  readonly version: 10;
  readonly id: string;
  readonly title: string;
  readonly createdAtMs: number;
  readonly updatedAtMs: number;
  readonly firstThings: Readonly<Record<FirstThingId, KnownState>>;
  readonly delivery: { readonly heightPx: number | null; readonly frameRateFps: number | null };
  readonly filmStage: FilmStage;
  readonly targetFps: number | null;
  readonly machine: CardMachine;
  readonly machineProfile: { readonly id: string; readonly name: string };
  readonly drives: readonly CardDrive[];
  readonly machineTest: MachineTest | null;
  readonly cache: CacheRoom;
  readonly clipCache: CacheRoom;
  readonly programs: readonly CardProgram[];
  readonly programsSeen: ProgramsSeen | null;
  readonly programsCheck: ProgramsCheck | null;
  readonly clips: readonly CardClip[];
  readonly proxies: readonly CardProxy[];
  readonly decodeTests: readonly DecodeTest[];
  readonly timeline: CardTimeline;
  readonly preview: CardPreview;
  readonly editor: CardEditor;
  readonly symptoms: { readonly moments: readonly LagMoment[]; readonly kinds: readonly LagKind[] };
  readonly readings: readonly Reading[];
  readonly heldReadings: readonly string[];
  readonly trials: readonly Trial[];
  readonly answers: readonly CardAnswer[];
  readonly refused: readonly FixUse[];
  readonly putBackDone: readonly string[];
  readonly editorProfile: EditorProfile;
  readonly workingSets: readonly WorkingSet[];
  readonly workingSetId: string | null;
  readonly chosenPlan: readonly FixUse[];
  readonly exportCheck: ExportCheckState;
  readonly finishedSteps: readonly StepId[];
}

/** Holds the written-out types equal to the schema: a field added to one and not the other stops the build. */
type SchemaCard = InferSchema<typeof jobCardSchema>;
type Loosened<T> = T extends object ? { -readonly [K in keyof T]: Loosened<T[K]> } : T extends string ? string : T;
type AssertSame<A, B extends A> = B;
/** @public Only the compiler reads it. */
export type SchemaMatchesTypes = [
  AssertSame<Loosened<SchemaCard>, Loosened<JobCard>>,
  AssertSame<Loosened<JobCard>, Loosened<SchemaCard>>,
];
