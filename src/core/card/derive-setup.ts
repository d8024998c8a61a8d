import { assertNever } from '../assert-never';
import { isIntraFrameCodec } from '../footage/codec-names';
import { nominalRateOf } from '../footage/nominal-rate';
import type { StillFacts, VideoFacts } from '../footage/types';
import { drawingHabitIds, unknownHabitShare } from '../load/drawing-habits';
import { proxyStreamOf } from '../load/proxy-stream';
import {
  type PictureStream,
  type Setup,
  type SetupClip,
  type SetupProgram,
  type SetupState,
  type StreamDrive,
  usualHidden,
} from '../load/types';
import { coreSpeedRatioOf, type DriveKind, driveOf, graphicsOf, powerRatioOf } from '../machine/catalogue';
import { rationalToNumber } from '../numbers/rational';
import { isStillThere } from '../programs/close-outcome';
import { linesOf, usualRecipe } from '../proxies/recipe';
import { measureDecoding, measureLatency, measureReading } from '../test-play/measure-decoding';
import { usableSpanSec } from '../usable/limits';
import { hardwareVerdictOf } from './hardware-verdict';
import { plausibleFps } from './plausible-fps';
import { targetFpsOf } from './target-fps';
import type { CardClip, CardEditor, CardProgram, CardProxy, JobCard } from './types';

/** Where nothing was read of a clip's key frames: a second apart, but for codecs that have nothing else. Assumption. */
const assumedKeyFrameSec = 1;

/** How long a still stands on a timeline where nobody said. Assumption. */
const stillMs = 5000;

/** Frames a second that are really in a clip: uneven ones hold fewer than their nominal rate says. */
function decodedFpsOf(facts: VideoFacts): number {
  const nominalFps = plausibleFps(rationalToNumber(nominalRateOf(facts)));
  if (!facts.isVariableFrameRate || facts.frameCount === null || facts.durationMs <= 0) return nominalFps;
  return Math.min(nominalFps, plausibleFps((facts.frameCount * 1000) / facts.durationMs));
}

function videoStream(card: JobCard, clip: CardClip, facts: VideoFacts, drive: StreamDrive): PictureStream {
  const frameRateFps = decodedFpsOf(facts);
  return {
    codec: facts.codec,
    bitDepth: facts.bitDepth,
    chroma: facts.chroma,
    widthPx: facts.widthPx,
    heightPx: facts.heightPx,
    frameRateFps,
    bitrateMbitPerSec: facts.bitrateMbitPerSec,
    meanKeyFrameDistanceFrames:
      facts.keyFrameDistance?.meanFrames ?? (isIntraFrameCodec(facts.codec) ? 1 : frameRateFps * assumedKeyFrameSec),
    sizeEvenness: facts.sizeEvenness,
    hardwareDecode: hardwareVerdictOf(card, clip).state === 'unlikely' ? 'no' : 'yes',
    drive,
  };
}

const stillStream = (card: JobCard, facts: StillFacts, drive: StreamDrive): PictureStream => ({
  codec: 'still',
  bitDepth: 8,
  chroma: '4:2:0',
  widthPx: facts.widthPx,
  heightPx: facts.heightPx,
  frameRateFps: plausibleFps(rationalToNumber(card.timeline.frameRate)),
  bitrateMbitPerSec: 0,
  meanKeyFrameDistanceFrames: 1,
  sizeEvenness: null,
  hardwareDecode: 'no',
  drive,
});

const driveKindOf = ({ machine }: JobCard, { drive }: CardClip): DriveKind => drive ?? machine.footageDrive.value;

/** What tests measured of a drive; null where none told it. */
interface MeasuredDrive {
  readonly readMegabytePerSec: number | null;
  readonly latencyMs: number | null;
}

/** What tests measured of each kind of drive, by the clips that were read and lie on it. */
function measureDrives(card: JobCard, tests: JobCard['decodeTests']): ReadonlyMap<DriveKind, MeasuredDrive> {
  const kinds = new Map(card.clips.map((clip) => [clip.id, driveKindOf(card, clip)]));
  return new Map(
    [...new Set(kinds.values())].map((kind) => {
      const onIt = tests.filter(({ clipId }) => kinds.get(clipId) === kind);
      return [kind, { readMegabytePerSec: measureReading(onIt), latencyMs: measureLatency(onIt) }];
    }),
  );
}

/** What the preview draws of a clip; nothing of a sound. */
function toSetupClip(
  card: JobCard,
  clip: CardClip,
  measuredOf: ReadonlyMap<DriveKind, MeasuredDrive>,
): readonly SetupClip[] {
  const { facts } = clip;
  const kind = driveKindOf(card, clip);
  const usual = driveOf(kind);
  const measured = measuredOf.get(kind);
  const drive = {
    readMegabytePerSec: measured?.readMegabytePerSec ?? usual.readMegabytePerSec,
    latencyMs: measured?.latencyMs ?? usual.latencyMs,
  };
  switch (facts.kind) {
    case 'video': {
      const original = videoStream(card, clip, facts, drive);
      return [{ id: clip.id, durationMs: Math.max(1, facts.durationMs), original, proxy: null }];
    }
    case 'still':
      return [{ id: clip.id, durationMs: stillMs, original: stillStream(card, facts, drive), proxy: null }];
    case 'sound':
      return [];
    default:
      return assertNever(facts);
  }
}

/** Stands in while a card has no pictures: what phones and small cameras record most. Assumption, said on the page. */
const standInClip = (card: JobCard): SetupClip => ({
  id: 'stand-in',
  durationMs: 60_000,
  original: {
    codec: 'h264',
    bitDepth: 8,
    chroma: '4:2:0',
    widthPx: 1920,
    heightPx: 1080,
    frameRateFps: 25,
    bitrateMbitPerSec: 20,
    meanKeyFrameDistanceFrames: 25,
    sizeEvenness: null,
    hardwareDecode: 'unknown',
    drive: driveOf(card.machine.footageDrive.value),
  },
  proxy: null,
});

/**
 * How the editor goes about its preview. Whoever complains of waiting until it has computed has seen that it does, and
 * that counts for more than what was ticked among its settings.
 */
export const playsByOf = ({ editor, symptoms }: JobCard): CardEditor['playsBy'] =>
  symptoms.moments.includes('waiting-for-the-picture') ? 'computing-first' : editor.playsBy;

/** A core that was measured under the power mode in force needs no factor for it; guessed ones do. */
function toSetupMachine(card: JobCard, tests: JobCard['decodeTests']): Setup['machine'] {
  const { machine } = card;
  const graphics = graphicsOf(machine.graphics.value);
  const measured = measureDecoding(tests, machine.coreCount.value);
  // Clips of the person's own tell more of decoding than what is decoded to measure a machine.
  const coreSpeedRatio = measured.coreSpeedRatio ?? card.machineTest?.coreSpeedRatio ?? null;
  const isSpeedMeasured = coreSpeedRatio !== null;
  const hardwareMegapixelPerSec = measured.hardwareMegapixelPerSec ?? card.machineTest?.hardwareMegapixelPerSec ?? null;
  return {
    coreCount: machine.coreCount.value,
    coreSpeedRatio: coreSpeedRatio ?? coreSpeedRatioOf(machine.speedClass.value),
    speedFrom: isSpeedMeasured ? 'measured' : machine.speedClass.source === 'assumed' ? 'assumed' : 'stated',
    decodeThreadCount: measured.decodeThreadCount ?? card.machineTest?.decodeThreadCount ?? machine.coreCount.value,
    powerRatio: isSpeedMeasured ? 1 : powerRatioOf(machine.powerMode.value),
    memoryMib: machine.memoryMib.value,
    graphicsRatio: card.machineTest?.graphicsRatio ?? graphics.graphicsRatio,
    areGraphicsStated: machine.graphics.source !== 'assumed',
    graphicsYear: machine.graphicsYear.value,
    decodeMegapixelPerSec: hardwareMegapixelPerSec ?? graphics.decodeMegapixelPerSec,
    isHardwareMeasured: hardwareMegapixelPerSec !== null,
    seenDecodeMegapixelPerSec: measureDecoding(card.decodeTests, machine.coreCount.value).hardwareMegapixelPerSec,
    graphicsMemoryMib: machine.graphicsMemoryMib.value,
    hasSecondGraphics: machine.hasSecondGraphics.value,
    isThin: machine.isThin.value,
    systemDriveFreeRatio: machine.systemDriveFreePercent.value / 100,
    cacheDrive: driveOf(machine.cacheDrive.value),
  };
}

/**
 * A program beside the editor. Of which nobody knows what it takes says no more than that something runs; what the system
 * itself holds stands in what every system holds; and what came back by itself was not closed.
 */
const toSetupProgram = ({ id, busyCores, memoryMib, canClose, role, outcome }: CardProgram): SetupProgram => ({
  id,
  busyCores: busyCores ?? 0,
  memoryMib: role === 'system' || role === 'driver-helper' ? 0 : (memoryMib ?? 0),
  canClose: isStillThere(outcome) ? 'no' : canClose,
});

const hasStatedProxies = ({ proxies }: CardEditor): boolean =>
  proxies === 'made' || proxies === 'attached' || proxies === 'shown';

/** Height of proxies where nobody said. Assumption: half of the most usual size. */
const usualProxyHeightPx = 540;

/** The clip with the very proxy that lies on the card; one whose check found something is none. */
function withKnownProxy(clip: SetupClip, proxy: CardProxy | undefined): SetupClip {
  // One that the editor was seen not to show plays as if there were none.
  if (!proxy || (proxy.faults?.length ?? 0) > 0 || proxy.isShown === 'no') return clip;
  const { widthPx, heightPx, isEveryFrameKey, sizeBytes } = proxy;
  const stream = proxyStreamOf(clip.original, linesOf(proxy), {
    keyFrames: isEveryFrameKey ? 'every-frame' : 'half-second',
    grade: 'usual',
  });
  return {
    ...clip,
    proxy: {
      ...stream,
      widthPx,
      heightPx,
      // A still is read once.
      bitrateMbitPerSec: stream.codec === 'still' ? 0 : sizeBytes / 125 / Math.max(1, clip.durationMs),
    },
  };
}

/** The clips with the proxies that are known by their files; where none is, with those that the person says there are. */
function withProxies(clips: readonly SetupClip[], { proxies, editor }: JobCard): readonly SetupClip[] {
  if (!hasStatedProxies(editor)) return clips;
  if (proxies.length === 0) return clips.map((clip) => withProxy(clip, editor));
  const byClip = new Map(proxies.map((proxy) => [proxy.clipId, proxy]));
  return clips.map((clip) => withKnownProxy(clip, byClip.get(clip.id)));
}

/** Megabits a megapixel and frame of codecs that editors make proxies with and that know key frames only. Assumption. */
const intraMegabitPerMegapixel = 2.2;

/** A proxy in the codec that the person says theirs have: some are as heavy as their originals. */
function inCodec(stream: PictureStream, codec: string | null): PictureStream {
  if (codec === null || codec === stream.codec) return stream;
  if (!isIntraFrameCodec(codec)) return { ...stream, codec };
  const { widthPx, heightPx, frameRateFps } = stream;
  return {
    ...stream,
    codec,
    chroma: '4:2:2',
    meanKeyFrameDistanceFrames: 1,
    sizeEvenness: null,
    bitrateMbitPerSec: (intraMegabitPerMegapixel * widthPx * heightPx * frameRateFps) / 1e6,
  };
}

/** A clip with the proxy that the person says they have of it. */
function withProxy(clip: SetupClip, editor: CardEditor): SetupClip {
  const heightPx = editor.proxyHeightPx ?? usualProxyHeightPx;
  const isLarger = linesOf(clip.original) > heightPx && clip.original.codec !== 'still';
  if (!isLarger) return clip;
  const stream = proxyStreamOf(clip.original, heightPx, {
    ...usualRecipe,
    keyFrames: editor.isEveryProxyFrameKey === 'no' ? 'half-second' : 'every-frame',
  });
  return { ...clip, proxy: inCodec(stream, editor.proxyCodec) };
}

/** How much of each drawing habit counts: all of it, nothing, or a share where nobody knows. */
const habitSharesOf = (editor: CardEditor): Setup['preview']['habits'] =>
  Object.fromEntries(
    drawingHabitIds.map((id) => {
      const known = editor.habits[id];
      return [id, known === 'yes' ? 1 : known === 'no' ? 0 : unknownHabitShare];
    }),
  ) as Setup['preview']['habits'];

/**
 * The set-up as it was before any fix, from everything on the card. Its speeds are those that `tests` measured, where
 * there are any: the card's own, unless a caller weighs them as evidence.
 */
export function deriveBaseState(card: JobCard, tests: JobCard['decodeTests'] = card.decodeTests): SetupState {
  const { timeline, preview, editor } = card;
  const measuredOf = measureDrives(card, tests);
  const originals = card.clips.flatMap((clip) => toSetupClip(card, clip, measuredOf));
  const clips = withProxies(originals, card);
  return {
    hidden: {
      ...usualHidden,
      isPanelReadingOriginals: editor.isSourcePanelOpen === 'yes',
      areProxiesAttached: editor.proxies !== 'made',
      areProxiesShown: editor.proxies !== 'made' && editor.proxies !== 'attached',
      proxiesUpToRatio: editor.proxyQualityRatio ?? 1,
    },
    setup: {
      machine: toSetupMachine(card, tests),
      clips: clips.length > 0 ? clips : [standInClip(card)],
      timeline: {
        widthPx: timeline.widthPx,
        heightPx: timeline.heightPx,
        frameRateFps: plausibleFps(rationalToNumber(timeline.frameRate)),
        videoLayerCount: timeline.videoLayerCount,
        titleCount: timeline.titleCount,
        coveredLayerCount: timeline.coveredLayerCount,
        trackCount: timeline.trackCount,
        isBlendingNeeded: timeline.isBlendingNeeded,
        cutsPerMinute: timeline.cutsPerMinute,
        lengthMin: timeline.lengthMin,
        transitionRatio: timeline.transitionRatio,
        unusedClipCount: timeline.unusedClipCount,
        areLayersStated: timeline.stated.includes('videoLayerCount') && timeline.stated.includes('titleCount'),
        areEffectsStated: timeline.stated.includes('effects'),
        hasOnlyListedEffects: false,
        hasOnlyListedLayers: false,
        effects: timeline.effects.map(({ kind, layerCount, strength }) => ({ kind, layerCount, strength })),
      },
      preview: {
        qualityRatio: preview.qualityRatio,
        qualities: card.editorProfile.qualities,
        heightPx: preview.heightPx,
        viewerHeightPx: preview.viewerHeightPx,
        areEffectsBypassed: false,
        hardwareDecode: preview.hardwareDecode,
        graphicsDrawing: preview.graphicsDrawing,
        movingQualityRatio: 1,
        isBlending: true,
        workingDepthBits: editor.workingDepthBits ?? 8,
        habits: habitSharesOf(editor),
        isPrerendered: false,
      },
      editor: {
        playsBy: playsByOf(card),
        lateFrames: editor.lateFrames,
        memoryGivenMib: editor.memoryGivenMib,
        previewMemoryMib: editor.previewMemoryMib,
        areThreadsRaised: false,
        areThumbnailsOn: editor.areThumbnailsOn,
        areFilesKeptOpen: false,
        arePanelsOnGraphics: true,
        isSpeedFavoured: false,
        spanSec: usableSpanSec,
      },
      delivered: { heightPx: card.delivery.heightPx, frameRateFps: card.delivery.frameRateFps },
      programs: card.programs.filter(({ role }) => role !== 'editor').map(toSetupProgram),
      areProgramsSeen: card.programsSeen !== null,
      targetFps: targetFpsOf(card),
    },
  };
}
