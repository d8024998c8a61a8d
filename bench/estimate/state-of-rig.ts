import { createJobCard, deriveBaseState } from '@/core/card';
import {
  drawingHabitIds,
  middleParameters,
  type Parameters,
  type PictureStream,
  type SetupState,
  usualHidden,
} from '@/core/load';
import type { Rig, RigStream } from '@/core/simulate';

const toStream = (stream: RigStream): PictureStream => ({
  codec: stream.codec,
  bitDepth: stream.isDeep ? 10 : 8,
  chroma: stream.chromaRatio > 1.1 ? '4:2:2' : ['prores', 'mjpeg', 'dnxhd'].includes(stream.codec) ? '4:2:2' : '4:2:0',
  widthPx: Math.round((stream.megapixels * 1e6) / stream.heightPx),
  heightPx: stream.heightPx,
  frameRateFps: stream.fps,
  bitrateMbitPerSec: stream.megabitsPerFrame * stream.fps,
  meanKeyFrameDistanceFrames: stream.keyEveryFrames,
  sizeEvenness: null,
  hardwareDecode: stream.canHardware ? 'yes' : 'no',
  drive: { readMegabytePerSec: stream.drive.megabytePerSec, latencyMs: stream.drive.seekMs },
});

/** The estimate's set-up of a rig, with nothing unknown: what the simulator takes for granted is stated. */
export function stateOfRig(rig: Rig): SetupState {
  const { setup } = deriveBaseState(createJobCard({ id: 'bench', title: 'bench', nowMs: 0 }));
  return {
    hidden: { ...usualHidden, effectsAt: rig.design === 'clip-size' ? 'clip' : 'preview' },
    setup: {
      ...setup,
      machine: {
        ...setup.machine,
        coreCount: rig.coreCount,
        coreSpeedRatio: rig.coreSpeed,
        decodeThreadCount: rig.threadCount,
        powerRatio: 1,
        memoryMib: rig.memoryMib,
        graphicsRatio: rig.graphics.speed,
        graphicsMemoryMib: rig.graphics.memoryMib,
        decodeMegapixelPerSec: rig.graphics.decodeMegapixelPerSec,
      },
      clips: rig.clips.map((clip, i) => ({
        id: String(i),
        durationMs: clip.seconds * 1000,
        original: toStream(clip.original),
        proxy: null,
      })),
      timeline: {
        ...setup.timeline,
        widthPx: rig.timeline.widthPx,
        heightPx: rig.timeline.heightPx,
        frameRateFps: rig.timeline.fps,
        videoLayerCount: rig.timeline.layerCount,
        coveredLayerCount: rig.timeline.coveredLayerCount,
        titleCount: rig.timeline.titleCount,
        trackCount: rig.timeline.trackCount,
        cutsPerMinute: rig.timeline.cutsPerMinute,
        lengthMin: rig.timeline.lengthMin,
        unusedClipCount: rig.unusedClipCount,
        areLayersStated: true,
        areEffectsStated: true,
        hasOnlyListedEffects: true,
        hasOnlyListedLayers: true,
        effects: rig.timeline.effects,
      },
      preview: {
        ...setup.preview,
        qualityRatio: rig.preview.ratio,
        heightPx: rig.preview.heightPx,
        isBlending: rig.preview.isBlending,
        workingDepthBits: rig.preview.depthRatio === 4 ? 32 : rig.preview.depthRatio === 2 ? 16 : 8,
        hardwareDecode: rig.isDecodingOnGraphics ? 'yes' : 'no',
        graphicsDrawing: rig.isDrawingOnGraphics ? 'yes' : 'no',
        habits: Object.fromEntries(
          drawingHabitIds.map((id) => [id, rig.preview.habits.includes(id) ? 1 : 0]),
        ) as SetupState['setup']['preview']['habits'],
      },
      editor: {
        ...setup.editor,
        playsBy: rig.design === 'computing-first' ? 'computing-first' : 'streaming',
        areFilesKeptOpen: rig.areFilesKeptOpen,
        areThumbnailsOn: rig.areThumbnailsMade ? 'yes' : 'no',
        lateFrames: rig.areLateFramesSkipped ? 'skipped' : 'all-played',
      },
      programs: rig.programs.map(({ busyCores, memoryMib }, i) => ({
        id: String(i),
        busyCores,
        memoryMib,
        canClose: 'yes' as const,
      })),
      targetFps: rig.targetFps,
    },
  };
}

/** The middle of every unknown, with the editor's own ways as the rig has them. */
export const parametersOfRig = (rig: Rig): Parameters => ({
  ...middleParameters({
    decodeThreadCount: rig.threadCount,
    speedFrom: 'measured',
    areGraphicsStated: true,
    isHardwareMeasured: true,
  }),
  decodeThreadCount: Math.min(16, rig.threadCount),
  overlapRatio: rig.design === 'in-turn' ? 0.02 : 0.92,
  coreSpeedFactor: 1,
});
