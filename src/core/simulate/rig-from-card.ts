import type { CardClip, JobCard } from '../card/types';
import { createRandom } from '../numbers/random';
import { makeCopies } from './copies';
import { soundFaults } from './faults';
import { playerDesigns, type Rig, type RigClip, type RigDrive, type RigStream } from './types';

/** The simulator's own notes of what machines can do; nothing is shared with the cost model. */
const coreSpeeds = { slow: 0.62, modest: 0.92, usual: 1.3, fast: 1.85 } as const;
const graphicsNotes = {
  none: { speed: 1, decodeMegapixelPerSec: 0 },
  shared: { speed: 4.6, decodeMegapixelPerSec: 430 },
  separate: { speed: 15, decodeMegapixelPerSec: 870 },
} as const;
const powerShares = { saving: 0.58, balanced: 0.87, full: 1 } as const;
const driveNotes: Readonly<Record<string, RigDrive>> = {
  'internal-solid-state': { megabytePerSec: 950, seekMs: 0.1 },
  'internal-spinning': { megabytePerSec: 115, seekMs: 11 },
  'external-solid-state': { megabytePerSec: 400, seekMs: 0.3 },
  'external-spinning': { megabytePerSec: 98, seekMs: 13 },
  'memory-card': { megabytePerSec: 62, seekMs: 1 },
  network: { megabytePerSec: 46, seekMs: 8 },
  cloud: { megabytePerSec: 4, seekMs: 150 },
};
const usualDrive: RigDrive = { megabytePerSec: 400, seekMs: 0.3 };
const chromaRatios: Readonly<Record<string, number>> = { '4:2:2': 1.33, '4:4:4': 2, '4:0:0': 0.67 };
/** Table figures of these were taken with 4:2:2. */
const isAtHomeIn422 = (codec: string): boolean => ['mjpeg', 'prores', 'dnxhd'].includes(codec);

/** Whether graphics of that year decode such a stream. */
export function canGraphicsDecode(codec: string, bitDepth: number, chroma: string, year: number): boolean {
  if (chroma === '4:2:2' || chroma === '4:4:4') return false;
  if (bitDepth <= 8) {
    if (codec === 'h264' || codec === 'mpeg2video') return year >= 2010;
    if (codec === 'hevc') return year >= 2016;
  }
  if (codec === 'hevc' || codec === 'vp9') return bitDepth <= 10 && year >= 2017;
  return codec === 'av1' && bitDepth <= 10 && year >= 2021;
}

function toRigClip(card: JobCard, clip: CardClip): readonly RigClip[] {
  const { facts } = clip;
  if (facts.kind !== 'video') return [];
  const fps = Math.min(500, Math.max(1, facts.frameRate.num / facts.frameRate.den));
  const original: RigStream = {
    codec: facts.codec,
    isDeep: facts.bitDepth > 8,
    chromaRatio: isAtHomeIn422(facts.codec) ? 1 : (chromaRatios[facts.chroma] ?? 1),
    megapixels: (facts.widthPx * facts.heightPx) / 1e6,
    heightPx: facts.heightPx,
    megabitsPerFrame: facts.bitrateMbitPerSec / fps,
    fps,
    keyEveryFrames: facts.keyFrameDistance?.meanFrames ?? (isAtHomeIn422(facts.codec) ? 1 : fps),
    canHardware: canGraphicsDecode(facts.codec, facts.bitDepth, facts.chroma, card.machine.graphicsYear.value),
    drive: driveNotes[clip.drive ?? card.machine.footageDrive.value] ?? usualDrive,
  };
  return [{ seconds: Math.max(0.001, facts.durationMs / 1000), original, copy: null }];
}

/**
 * A rig that fits a card: what the card states is taken as true, what it leaves open is drawn from the seed, as is
 * how the editor works and how far the machine's costs are off the table. Null where the card has no video.
 */
export function rigFromCard(card: JobCard, seed: number): Rig | null {
  const random = createRandom(seed);
  const { machine, timeline, preview, editor } = card;
  // Whoever waits until it has computed has seen that it does, whatever is ticked.
  const isComputing = editor.playsBy === 'computing-first' || card.symptoms.moments.includes('waiting-for-the-picture');
  const clips = card.clips.flatMap((clip) => toRigClip(card, clip));
  if (clips.length === 0) return null;
  const graphics = graphicsNotes[machine.graphics.value];
  const design = isComputing ? 'computing-first' : random.pick(playerDesigns.filter((id) => id !== 'computing-first'));
  const isOn = (state: 'yes' | 'no' | 'unknown'): boolean =>
    state === 'unknown' ? random.isTrue(0.6) : state === 'yes';
  const rate = timeline.frameRate.num / timeline.frameRate.den;
  const rig: Rig = {
    design,
    coreCount: machine.coreCount.value,
    coreSpeed: coreSpeeds[machine.speedClass.value],
    threadCount: random.isTrue(0.12) ? 1 : machine.coreCount.value,
    memoryMib: machine.memoryMib.value,
    editorGivenMib: editor.memoryGivenMib,
    previewMemoryMib: editor.previewMemoryMib ?? machine.memoryMib.value / 4,
    graphics: { ...graphics, slowSpeed: 3.2, memoryMib: Math.max(64, machine.graphicsMemoryMib.value) },
    isDrawingOnGraphics: graphics.speed > 1 && isOn(preview.graphicsDrawing),
    isDecodingOnGraphics: graphics.decodeMegapixelPerSec > 0 && isOn(preview.hardwareDecode),
    systemDrive: driveNotes['internal-solid-state'] ?? usualDrive,
    cacheDrive: driveNotes[machine.cacheDrive.value] ?? usualDrive,
    clips,
    unusedClipCount: timeline.unusedClipCount,
    timeline: {
      widthPx: timeline.widthPx,
      heightPx: timeline.heightPx,
      fps: Math.min(500, Math.max(1, rate)),
      layerCount: timeline.videoLayerCount,
      coveredLayerCount: timeline.coveredLayerCount,
      titleCount: timeline.titleCount,
      trackCount: timeline.trackCount ?? timeline.videoLayerCount,
      isSeenThrough: timeline.isBlendingNeeded !== 'no',
      effects: timeline.effects.map(({ kind, layerCount, strength }) => ({ kind, layerCount, strength })),
      cutsPerMinute: timeline.cutsPerMinute ?? 6,
      lengthMin: timeline.lengthMin ?? 0,
    },
    deliveredHeightPx: card.delivery.heightPx,
    preview: {
      ratio: preview.qualityRatio,
      heightPx: preview.heightPx,
      movingRatio: 1,
      seenHeightPx: preview.viewerHeightPx ?? 540,
      areEffectsOn: true,
      isBlending: true,
      isIdleBlended: false,
      depthRatio: (editor.workingDepthBits ?? 8) / 8,
      habits: (Object.keys(editor.habits) as (keyof typeof editor.habits)[]).filter(
        (id) => editor.habits[id] === 'yes',
      ),
      isRendered: false,
    },
    areLateFramesSkipped: editor.lateFrames === 'unknown' ? random.isTrue(0.5) : editor.lateFrames === 'skipped',
    areThumbnailsMade: editor.areThumbnailsOn !== 'no',
    areFilesKeptOpen: false,
    programs: card.programs
      .filter(({ role }) => role !== 'editor')
      .map(({ busyCores, memoryMib, canClose, role, outcome }) => ({
        busyCores: busyCores ?? 0,
        // What every system holds is held by the rig as well.
        memoryMib: role === 'system' || role === 'driver-helper' ? 0 : (memoryMib ?? 0),
        isClosable: canClose === 'yes' && outcome !== 'still' && outcome !== 'back',
      })),
    targetFps: card.targetFps ?? Math.min(rate, ...clips.map((clip) => clip.original.fps)),
    faults: {
      ...soundFaults,
      powerShare: powerShares[machine.powerMode.value],
      isPanelOnOriginals: editor.isSourcePanelOpen === 'yes',
    },
    quirks: {
      decode: random.factor(0.15),
      draw: random.factor(0.15),
      graphics: random.factor(0.2),
      drive: random.factor(0.2),
      memory: random.factor(0.1),
      opening: random.factor(0.2),
    },
  };
  if (editor.proxies === 'none' || editor.proxies === 'unknown') return rig;
  const withCopies = makeCopies(rig, editor.proxyHeightPx ?? 540);
  return {
    ...withCopies,
    faults: { ...rig.faults, areCopiesAttached: editor.proxies !== 'made', areCopiesShown: editor.proxies === 'shown' },
  };
}
