import { isHeavyClip, makeCopies } from './copies';
import type { Rig, RigDrive, RigFaults, RigStream } from './types';

type Level = string | number | null;
/** A change that somebody makes on a simulated machine. */
export interface RigChange {
  readonly id: string;
  readonly level: Level;
  /** The clips that small copies are made of, where the change makes any; those too heavy for the rig where nobody says. */
  readonly clipIndexes?: readonly number[];
}

type Change = (rig: Rig, level: Level, clipIndexes?: readonly number[]) => Rig;

const withFaults = (rig: Rig, faults: Partial<RigFaults>): Rig => ({ ...rig, faults: { ...rig.faults, ...faults } });
const withPreview = (rig: Rig, preview: Partial<Rig['preview']>): Rig => ({
  ...rig,
  preview: { ...rig.preview, ...preview },
});
const withTimeline = (rig: Rig, timeline: Partial<Rig['timeline']>): Rig => ({
  ...rig,
  timeline: { ...rig.timeline, ...timeline },
});
const mapStreams = (rig: Rig, change: (stream: RigStream) => RigStream): Rig => ({
  ...rig,
  clips: rig.clips.map((clip) => ({ ...clip, original: change(clip.original), copy: clip.copy && change(clip.copy) })),
});
const without = (rig: Rig, habit: Rig['preview']['habits'][number]): Rig =>
  withPreview(rig, { habits: rig.preview.habits.filter((other) => other !== habit) });

const same: Change = (rig) => rig;
const quickDrive: RigDrive = { megabytePerSec: 950, seekMs: 0.1 };

const fractionOf = (level: Level): number => {
  const [num = '1', den = '1'] = String(level ?? '1/4').split('/');
  return Number(num) / Number(den);
};
const numberOf = (level: Level, usual: number): number => (typeof level === 'number' ? level : usual);

const closePrograms: Change = (rig) =>
  withFaults(
    { ...rig, programs: rig.programs.filter((program) => !program.isClosable) },
    { unlistedCores: 0, unlistedMib: 0 },
  );

const smallerTimeline = (rig: Rig, heightPx: number): Rig => {
  const ratio = Math.min(1, heightPx / rig.timeline.heightPx);
  return withTimeline(rig, { widthPx: rig.timeline.widthPx * ratio, heightPx: rig.timeline.heightPx * ratio });
};

/** A section rendered into one file: as large and as fast as the timeline, every frame a key frame. */
const bake: Change = (rig) => {
  const { widthPx, heightPx, fps } = rig.timeline;
  const megapixels = (widthPx * heightPx) / 1e6;
  const baked = {
    codec: 'prores',
    isDeep: false,
    chromaRatio: 1.33,
    megapixels,
    heightPx,
    megabitsPerFrame: 1.1 * megapixels,
    fps,
    keyEveryFrames: 1,
    canHardware: false,
  };
  const flat = withTimeline(rig, { effects: [], layerCount: 1, coveredLayerCount: 0, titleCount: 0 });
  return {
    ...flat,
    clips: rig.clips.map((clip) => ({ ...clip, original: { ...clip.original, ...baked }, copy: null })),
  };
};

/** What each change of a person's does to the simulated machine and editor; by the names of the fixes. */
export const practiceChanges: Readonly<Record<string, Change>> = {
  'close-programs': closePrograms,
  'stop-startup-programs': closePrograms,
  'raise-power-mode': (rig) => withFaults(rig, { powerShare: 1, heatShare: Math.max(rig.faults.heatShare, 0.9) }),
  'assign-fast-graphics': (rig) => withFaults(rig, { isOnSlowGraphics: false }),
  'choose-editor-graphics': (rig) => withFaults(rig, { isOnSlowGraphics: false }),
  'update-software': (rig) => withFaults(rig, { staleness: 1 }),
  'reset-editor': (rig) => withFaults(rig, { staleness: 1 + (rig.faults.staleness - 1) * 0.3 }),
  'reinstall-editor': (rig) => withFaults(rig, { staleness: 1 }),
  'lower-preview-quality': (rig, level) => withPreview(rig, { ratio: Math.min(rig.preview.ratio, fractionOf(level)) }),
  'smaller-preview-height': (rig, level) => withPreview(rig, { heightPx: numberOf(level, 540) }),
  'coarser-while-moving': (rig) => withPreview(rig, { movingRatio: 0.25 }),
  'skip-late-frames': (rig) => ({ ...rig, areLateFramesSkipped: true }),
  'play-every-frame-slowly': (rig) => ({ ...rig, areLateFramesSkipped: false }),
  'play-short-span': same,
  'bypass-effects': (rig) => withPreview(rig, { areEffectsOn: false }),
  'weaken-effects': (rig) =>
    withTimeline(rig, {
      effects: rig.timeline.effects.map((effect) =>
        effect.strength === 'strong' ? { ...effect, strength: 'slight' as const } : effect,
      ),
    }),
  'stop-blending': (rig) => withPreview(rig, { isBlending: false }),
  'solo-track': (rig) => withTimeline(rig, { layerCount: 1, coveredLayerCount: 0, titleCount: 0, trackCount: 1 }),
  'hide-covered-clips': (rig) => withTimeline(rig, { coveredLayerCount: 0 }),
  'lower-working-depth': (rig) => withPreview(rig, { depthRatio: 1 }),
  'cheaper-scaling-filter': (rig) => without(rig, 'fine-scaling'),
  'cheaper-colour-conversion': (rig) => without(rig, 'exact-colour'),
  'lower-raw-decode': (rig) =>
    mapStreams(rig, (stream) =>
      stream.isRaw
        ? {
            ...stream,
            megapixels: stream.megapixels / 4,
            heightPx: stream.heightPx / 2,
            megabitsPerFrame: 0.45 * stream.megabitsPerFrame,
          }
        : stream,
    ),
  'simpler-3d-drawing': (rig) =>
    withTimeline(rig, { effects: rig.timeline.effects.filter((effect) => effect.kind !== 'layers-3d') }),
  'hide-drawings-on-picture': (rig) => without(rig, 'drawings-on-picture'),
  'switch-off-unused-output': (rig) => without(rig, 'second-output'),
  'low-resolution-window': (rig) => without(rig, 'dense-window'),
  'turn-on-hardware-decode': (rig) => ({ ...rig, isDecodingOnGraphics: true }),
  'turn-off-hardware-decode': (rig) => ({ ...rig, isDecodingOnGraphics: false }),
  'turn-on-graphics-drawing': (rig) => ({ ...rig, isDrawingOnGraphics: true }),
  'turn-off-graphics-drawing': (rig) => ({ ...rig, isDrawingOnGraphics: false }),
  // What others hold of it, and what the editor's own windows took.
  'turn-off-panel-acceleration': (rig) => withFaults(rig, { graphicsTakenMib: rig.faults.graphicsTakenMib * 0.5 - 90 }),
  'raise-graphics-memory': (rig) => ({
    ...rig,
    graphics: { ...rig.graphics, memoryMib: rig.graphics.memoryMib * 2 },
    memoryMib: Math.max(1024, rig.memoryMib - rig.graphics.memoryMib),
  }),
  'make-proxies': (rig, level, clipIndexes) =>
    withFaults(
      makeCopies(rig, numberOf(level, 540), (clip, i) => clipIndexes?.includes(i) ?? isHeavyClip(rig, clip)),
      { areCopiesAttached: true, areCopiesShown: true },
    ),
  'attach-proxies': (rig) => withFaults(rig, { areCopiesAttached: true, areCopiesShown: true }),
  'show-proxies': (rig) => withFaults(rig, { areCopiesShown: true }),
  'make-proxies-on-import': same,
  'convert-footage': (rig) =>
    mapStreams(rig, (stream) =>
      stream.keyEveryFrames > 1
        ? {
            ...stream,
            codec: 'prores',
            keyEveryFrames: 1,
            megabitsPerFrame: 1.8 * stream.megapixels,
            canHardware: false,
          }
        : stream,
    ),
  'match-project-to-clips': (rig) => {
    const main = rig.clips[0]?.original;
    return main
      ? withTimeline(smallerTimeline(rig, main.heightPx), { fps: Math.min(rig.timeline.fps, main.fps) })
      : rig;
  },
  'lower-project-size': (rig, level) =>
    smallerTimeline(rig, numberOf(level, rig.deliveredHeightPx ?? rig.timeline.heightPx)),
  'lower-project-rate': (rig, level) => {
    const fps = Math.min(rig.timeline.fps, numberOf(level, 25));
    // No more pictures are wanted than the timeline has.
    return { ...withTimeline(rig, { fps }), targetFps: Math.min(rig.targetFps, fps) };
  },
  'give-editor-memory': (rig, level) => ({ ...rig, editorGivenMib: numberOf(level, rig.memoryMib / 2) }),
  'raise-preview-memory': (rig, level) => ({ ...rig, previewMemoryMib: numberOf(level, rig.previewMemoryMib * 2) }),
  'favour-speed-over-memory': same,
  'use-more-threads': (rig) => ({ ...rig, threadCount: Math.max(rig.threadCount, rig.coreCount) }),
  'move-media': (rig) =>
    withFaults(
      mapStreams(rig, (stream) => ({ ...stream, drive: quickDrive })),
      { driveShare: 1 },
    ),
  'move-cache': (rig) =>
    withFaults(
      { ...rig, cacheDrive: quickDrive },
      { cacheWaitMs: 0, systemDriveStall: rig.faults.systemDriveStall * 0.5 },
    ),
  'cache-heavy-only': (rig) =>
    withFaults(rig, {
      systemDriveStall: rig.faults.systemDriveStall * 0.7,
      buildCores: rig.faults.buildCores * 0.5,
    }),
  'enlarge-cache': (rig) => withFaults(rig, { buildCores: rig.faults.buildCores * 0.6 }),
  'cap-cache': (rig) => withFaults(rig, { systemDriveStall: rig.faults.systemDriveStall * 0.5 }),
  'clear-cache': (rig) => withFaults(rig, { systemDriveStall: rig.faults.systemDriveStall * 0.4 }),
  'empty-cache-on-closing': (rig) => withFaults(rig, { systemDriveStall: rig.faults.systemDriveStall * 0.6 }),
  'choose-cache-format': (rig) => withFaults(rig, { cacheWaitMs: rig.faults.cacheWaitMs * 0.6 }),
  'free-system-drive': (rig) => withFaults(rig, { systemDriveStall: 0 }),
  'let-builds-finish': (rig) => withFaults(rig, { buildCores: 0 }),
  'stop-thumbnails': (rig) =>
    withFaults({ ...rig, areThumbnailsMade: false }, { buildCores: rig.faults.buildCores * 0.5 }),
  'close-source-panels': (rig) => withFaults(rig, { isPanelOnOriginals: false }),
  'unlink-panel-while-timing': (rig) => withFaults(rig, { isPanelOnOriginals: false }),
  'keep-media-open': (rig) => ({ ...rig, areFilesKeptOpen: true }),
  'prerender-range': (rig) => withPreview(rig, { isRendered: true }),
  'prerender-when-idle': (rig) => withPreview(rig, { isRendered: true }),
  'import-less': (rig) => ({ ...rig, unusedClipCount: 0 }),
  'trim-first': same,
  'effects-last': (rig) => withPreview(rig, { areEffectsOn: false }),
  'share-one-effect': (rig) =>
    withTimeline(rig, { effects: rig.timeline.effects.map((effect) => ({ ...effect, layerCount: 1 })) }),
  'split-timeline': (rig) => ({
    ...withTimeline(rig, { lengthMin: rig.timeline.lengthMin / 2 }),
    clips: rig.clips.slice(0, Math.max(1, Math.ceil(rig.clips.length / 2))),
    unusedClipCount: Math.floor(rig.unusedClipCount / 2),
  }),
  'bake-section': bake,
  'render-in-parts': same,
  'faster-export-settings': same,
  'upgrade-drive': (rig) =>
    withFaults(
      mapStreams(rig, (stream) => ({ ...stream, drive: quickDrive })),
      { driveShare: 1, cacheWaitMs: 0 },
    ),
  'upgrade-memory': (rig) => ({ ...rig, memoryMib: rig.memoryMib * 2 }),
  'upgrade-graphics': (rig) => ({
    ...rig,
    isDrawingOnGraphics: true,
    graphics: { ...rig.graphics, speed: 16, slowSpeed: 16, memoryMib: 8192, decodeMegapixelPerSec: 900 },
  }),
};

/** The rig with changes made, in order. A change that is not known leaves it as it is. */
export const applyChanges = (rig: Rig, changes: readonly RigChange[]): Rig =>
  changes.reduce(
    (current, { id, level, clipIndexes }) => practiceChanges[id]?.(current, level, clipIndexes) ?? current,
    rig,
  );
