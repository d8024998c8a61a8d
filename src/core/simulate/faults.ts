import { makeCopies } from './copies';
import type { Rig, RigClip, RigFaults } from './types';

/**
 * A fault that can be hidden in a rig: how it is planted, at a severity from 0 (just felt) to 1 (crippling), and
 * how it is put right. The names are those of the causes that a diagnosis gives.
 */
interface PracticeFault<Id extends string = string> {
  readonly id: Id;
  readonly plant: (rig: Rig, severity: number) => Rig;
  readonly repair: (rig: Rig) => Rig;
}

const withFaults = (rig: Rig, faults: Partial<RigFaults>): Rig => ({ ...rig, faults: { ...rig.faults, ...faults } });

const mapClips = (rig: Rig, change: (clip: RigClip) => RigClip): Rig => ({ ...rig, clips: rig.clips.map(change) });

const quickDrive = { megabytePerSec: 950, seekMs: 0.1 };

/** Decoding that takes no time to speak of, in software and on the graphics. */
const withLightDecoding = (rig: Rig): Rig => ({
  ...rig,
  quirks: { ...rig.quirks, decode: 0.02 },
  graphics: { ...rig.graphics, decodeMegapixelPerSec: rig.graphics.decodeMegapixelPerSec * 50 },
});

const faults = [
  {
    id: 'decode-heavy',
    plant: (rig, severity) => ({
      ...rig,
      quirks: { ...rig.quirks, decode: rig.quirks.decode * (1.3 + 2.2 * severity) },
    }),
    repair: withLightDecoding,
  },
  {
    id: 'effects-heavy',
    plant: (rig, severity) => ({
      ...rig,
      timeline: {
        ...rig.timeline,
        effects: [
          ...rig.timeline.effects,
          { kind: 'sharpen', layerCount: 1 + Math.round(5 * severity), strength: 'usual' },
        ],
      },
    }),
    repair: (rig) => ({ ...rig, timeline: { ...rig.timeline, effects: [] } }),
  },
  {
    id: 'layers-heavy',
    plant: (rig, severity) => ({
      ...rig,
      timeline: { ...rig.timeline, titleCount: rig.timeline.titleCount + 1 + Math.round(4 * severity) },
    }),
    repair: (rig) => ({
      ...rig,
      timeline: { ...rig.timeline, layerCount: 1, coveredLayerCount: 0, titleCount: 0, trackCount: 1 },
      preview: { ...rig.preview, isIdleBlended: false },
    }),
  },
  {
    id: 'preview-too-large',
    // A film that is light but for the size at which it is shown.
    plant: (rig, severity) => ({
      ...rig,
      timeline: { ...rig.timeline, effects: [], layerCount: 1, coveredLayerCount: 0, titleCount: 0 },
      preview: {
        ...rig.preview,
        ratio: 1,
        heightPx: null,
        seenHeightPx: Math.round(rig.timeline.heightPx / (1.6 + 2.4 * severity)),
      },
    }),
    repair: (rig) => ({
      ...rig,
      preview: {
        ...rig.preview,
        heightPx: Math.min(rig.preview.heightPx ?? rig.timeline.heightPx, rig.preview.seenHeightPx),
      },
    }),
  },
  {
    id: 'hardware-decode-off',
    plant: (rig) => ({ ...rig, isDecodingOnGraphics: false }),
    repair: (rig) => ({ ...rig, isDecodingOnGraphics: true }),
  },
  {
    id: 'hardware-decode-unreliable',
    plant: (rig, severity) =>
      withFaults({ ...rig, isDecodingOnGraphics: true }, { hardwareSlowdown: 2 + 7 * severity }),
    repair: (rig) => withFaults(rig, { hardwareSlowdown: 1 }),
  },
  {
    id: 'graphics-drawing-off',
    plant: (rig) => ({ ...rig, isDrawingOnGraphics: false }),
    repair: (rig) => ({ ...rig, isDrawingOnGraphics: true }),
  },
  {
    id: 'graphics-drawing-unreliable',
    plant: (rig, severity) =>
      withFaults({ ...rig, isDrawingOnGraphics: true }, { graphicsSlowdown: 3 + 12 * severity }),
    repair: (rig) => withFaults(rig, { graphicsSlowdown: 1 }),
  },
  {
    id: 'graphics-memory-short',
    plant: (rig, severity) =>
      withFaults(
        { ...rig, isDrawingOnGraphics: true },
        { graphicsTakenMib: rig.graphics.memoryMib * (0.7 + 0.28 * severity) },
      ),
    repair: (rig) => withFaults({ ...rig, graphics: { ...rig.graphics, memoryMib: 65_536 } }, { graphicsTakenMib: 0 }),
  },
  {
    id: 'wrong-graphics',
    plant: (rig) => withFaults({ ...rig, isDrawingOnGraphics: true }, { isOnSlowGraphics: true }),
    repair: (rig) => withFaults(rig, { isOnSlowGraphics: false }),
  },
  {
    id: 'drive-slow',
    plant: (rig, severity) => withFaults(rig, { driveShare: 1 / (2 + 10 * severity) }),
    repair: (rig) =>
      withFaults(
        mapClips(rig, (clip) => ({
          ...clip,
          original: { ...clip.original, drive: quickDrive },
          copy: clip.copy && { ...clip.copy, drive: quickDrive },
        })),
        { driveShare: 1 },
      ),
  },
  {
    id: 'system-drive-full',
    plant: (rig, severity) => withFaults(rig, { systemDriveStall: 0.25 + 0.75 * severity }),
    repair: (rig) => withFaults(rig, { systemDriveStall: 0 }),
  },
  {
    id: 'cache-misplaced',
    plant: (rig, severity) => withFaults(rig, { cacheWaitMs: 12 + 60 * severity }),
    repair: (rig) => withFaults(rig, { cacheWaitMs: 0 }),
  },
  {
    id: 'memory-short',
    plant: (rig, severity) => withFaults(rig, { leakMib: rig.memoryMib * (0.45 + 0.7 * severity) }),
    repair: (rig) =>
      withFaults({ ...rig, memoryMib: 1_048_576, editorGivenMib: null, previewMemoryMib: 262_144 }, { leakMib: 0 }),
  },
  {
    id: 'programs-busy',
    plant: (rig, severity) =>
      withFaults(rig, { unlistedCores: rig.coreCount * (0.4 + 0.55 * severity), unlistedMib: 600 + 1200 * severity }),
    repair: (rig) =>
      withFaults(
        { ...rig, programs: rig.programs.filter((program) => !program.isClosable) },
        { unlistedCores: 0, unlistedMib: 0 },
      ),
  },
  {
    id: 'power-or-heat',
    plant: (rig, severity) => withFaults(rig, { powerShare: 0.7 - 0.4 * severity }),
    repair: (rig) => withFaults(rig, { powerShare: 1, heatShare: 1 }),
  },
  {
    id: 'building-previews',
    plant: (rig, severity) => withFaults(rig, { buildCores: rig.coreCount * (0.35 + 0.6 * severity) }),
    repair: (rig) => withFaults(rig, { buildCores: 0 }),
  },
  {
    id: 'proxies-not-shown',
    plant: (rig) => withFaults(makeCopies(rig, 540), { areCopiesAttached: true, areCopiesShown: false }),
    repair: (rig) => withFaults(rig, { areCopiesAttached: true, areCopiesShown: true, copiesUpToRatio: 1 }),
  },
  {
    id: 'panel-reads-originals',
    plant: (rig) => withFaults(rig, { isPanelOnOriginals: true }),
    repair: (rig) => withFaults(rig, { isPanelOnOriginals: false }),
  },
  {
    id: 'project-mismatch',
    plant: (rig) => ({ ...rig, deliveredHeightPx: Math.round(rig.timeline.heightPx / 2) }),
    repair: (rig) => {
      const { timeline, deliveredHeightPx } = rig;
      const ratio = deliveredHeightPx === null ? 1 : Math.min(1, deliveredHeightPx / timeline.heightPx);
      return {
        ...rig,
        timeline: { ...timeline, widthPx: timeline.widthPx * ratio, heightPx: timeline.heightPx * ratio },
      };
    },
  },
  {
    id: 'preview-overdone',
    plant: (rig, severity) => ({
      ...rig,
      preview: {
        ...rig.preview,
        habits: ['fine-scaling', 'exact-colour', 'drawings-on-picture', 'second-output', 'dense-window'],
        depthRatio: severity > 0.5 ? 4 : 2,
      },
    }),
    repair: (rig) => ({ ...rig, preview: { ...rig.preview, habits: [], depthRatio: 1 } }),
  },
  {
    id: 'software-stale',
    plant: (rig, severity) => withFaults(rig, { staleness: 1.35 + 1.4 * severity }),
    repair: (rig) => withFaults(rig, { staleness: 1 }),
  },
  {
    id: 'nothing-explains-it',
    plant: (rig, severity) => withFaults(rig, { oddMs: 25 + 70 * severity }),
    repair: (rig) => withFaults(rig, { oddMs: 0 }),
  },
] as const satisfies readonly PracticeFault[];

export type PracticeFaultId = (typeof faults)[number]['id'];

export const practiceFaults: readonly PracticeFault<PracticeFaultId>[] = faults;

/** Those that have no switch: the film itself is heavy in this respect. */
export const loadFaultIds: readonly PracticeFaultId[] = ['decode-heavy', 'effects-heavy', 'layers-heavy'];

/** The fault of this name, or undefined. */
export const findPracticeFault = (id: string): PracticeFault<PracticeFaultId> | undefined =>
  practiceFaults.find((fault) => fault.id === id);

/** A rig in which no fault is hidden. */
export const soundFaults: RigFaults = {
  unlistedCores: 0,
  unlistedMib: 0,
  powerShare: 1,
  heatShare: 1,
  hardwareSlowdown: 1,
  graphicsSlowdown: 1,
  isOnSlowGraphics: false,
  graphicsTakenMib: 0,
  driveShare: 1,
  systemDriveStall: 0,
  cacheWaitMs: 0,
  leakMib: 0,
  buildCores: 0,
  areCopiesAttached: false,
  areCopiesShown: false,
  copiesUpToRatio: 1,
  isPanelOnOriginals: false,
  staleness: 1,
  oddMs: 0,
};
