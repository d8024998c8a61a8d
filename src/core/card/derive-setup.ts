import type { ClipFacts } from '../footage/types';
import type { SetupState } from '../load/types';
import { type PictureStream, type Setup, type SetupClip, usualHidden } from '../load/types';
import { coreSpeedRatioOf, driveOf, graphicsOf, powerRatioOf } from '../machine/catalogue';
import { rationalToNumber } from '../numbers/rational';
import type { CardClip, CardMachine, JobCard } from './types';

/** A file may state a rate of zero or thousands; the cost model is given one that a camera could have. */
const plausibleFps = (fps: number): number => Math.min(500, Math.max(1, fps));

const toStream = (facts: ClipFacts): PictureStream => ({
  codec: facts.codec,
  bitDepth: facts.bitDepth,
  chroma: facts.chroma,
  widthPx: facts.widthPx,
  heightPx: facts.heightPx,
  frameRateFps: plausibleFps(rationalToNumber(facts.frameRate)),
  bitrateMbitPerSec: facts.bitrateMbitPerSec,
  meanKeyFrameDistanceFrames: facts.keyFrameDistance.meanFrames,
});

const toSetupClip = (clip: CardClip): SetupClip => ({
  id: clip.id,
  durationMs: Math.max(1, clip.facts.durationMs),
  original: toStream(clip.facts),
  proxy: null,
});

/** Stands in while a card has no footage: what phones and small cameras record most. Assumption, said on the page. */
const standInClip: SetupClip = {
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
  },
  proxy: null,
};

/** The rate that most of the footage has, by duration, frames a second; null without footage. */
export function mainClipFps(clips: readonly CardClip[]): number | null {
  const durationByFps = new Map<number, number>();
  for (const { facts } of clips) {
    // To the thousandth: 29.970 and 30.000 are different rates, two files' 29.97002 and 29.97003 are not.
    const fps = Math.round(plausibleFps(rationalToNumber(facts.frameRate)) * 1000) / 1000;
    durationByFps.set(fps, (durationByFps.get(fps) ?? 0) + Math.max(1, facts.durationMs));
  }
  const byDuration = [...durationByFps].sort((a, b) => b[1] - a[1]);
  return byDuration[0]?.[0] ?? null;
}

/** The rate to reach: the lower of timeline rate and the main clips' rate, or what the person lowered it to. */
export function targetFpsOf(card: JobCard): number {
  const timelineFps = rationalToNumber(card.timeline.frameRate);
  const usual = Math.min(timelineFps, mainClipFps(card.clips) ?? timelineFps);
  return card.targetFps === null ? usual : Math.min(usual, card.targetFps);
}

function toSetupMachine(machine: CardMachine): Setup['machine'] {
  const drive = driveOf(machine.footageDrive.value);
  const graphics = graphicsOf(machine.graphics.value);
  return {
    coreCount: machine.coreCount.value,
    coreSpeedRatio: coreSpeedRatioOf(machine.speedClass.value),
    powerRatio: powerRatioOf(machine.powerMode.value),
    memoryMib: machine.memoryMib.value,
    graphicsRatio: graphics.graphicsRatio,
    graphicsYear: machine.graphicsYear.value,
    decodeMegapixelPerSec: graphics.decodeMegapixelPerSec,
    readMegabytePerSec: drive.readMegabytePerSec,
    driveLatencyMs: drive.latencyMs,
  };
}

/** The set-up as it was before any fix, from everything on the card. */
export function deriveBaseState(card: JobCard): SetupState {
  const { timeline, preview } = card;
  return {
    hidden: usualHidden,
    setup: {
      machine: toSetupMachine(card.machine),
      clips: card.clips.length > 0 ? card.clips.map(toSetupClip) : [standInClip],
      timeline: {
        widthPx: timeline.widthPx,
        heightPx: timeline.heightPx,
        frameRateFps: plausibleFps(rationalToNumber(timeline.frameRate)),
        videoLayerCount: timeline.videoLayerCount,
        titleCount: timeline.titleCount,
        effects: timeline.effects.map(({ kind, layerCount }) => ({ kind, layerCount })),
      },
      preview: {
        qualityRatio: preview.qualityRatio,
        heightPx: preview.heightPx,
        viewerHeightPx: preview.viewerHeightPx,
        areEffectsBypassed: false,
        hardwareDecode: preview.hardwareDecode,
        graphicsDrawing: preview.graphicsDrawing,
      },
      programs: card.programs.map(({ id, busyCores, memoryMib, canClose }) => ({ id, busyCores, memoryMib, canClose })),
      targetFps: targetFpsOf(card),
    },
  };
}
