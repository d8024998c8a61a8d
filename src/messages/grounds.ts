import { assertNever } from '@/core/assert-never';
import type { CauseGround } from '@/core/causes';
import { describeDepth, nameCodec } from './clip-facts';
import { habitTexts } from './editor';
import { formatCount, formatFps, formatMemory, formatMs, joinLabels } from './format';
import { nameEffect } from './load';

/** More effects than these are counted. */
const mostNamed = 4;

/** "Sharpening on 3 layers, soft blur, and 2 more". */
function listEffects(effects: Extract<CauseGround, { code: 'effects-listed' }>['effects']): string {
  const named = effects
    .slice(0, mostNamed)
    .map((effect) =>
      effect.layerCount > 1 ? `${nameEffect(effect)} on ${effect.layerCount} layers` : nameEffect(effect),
    );
  const leftOut = effects.length - named.length;
  return joinLabels(leftOut > 0 ? [...named, `and ${leftOut} more`] : named, ', ');
}

const describeLayers = (videoLayerCount: number, titleCount: number, emptyCount: number): string =>
  [
    ...(videoLayerCount > 1 ? [`${videoLayerCount} pictures`] : ['a picture']),
    ...(titleCount > 0 ? [formatCount(titleCount, 'title')] : []),
    ...(emptyCount > 0 ? [formatCount(emptyCount, 'empty track')] : []),
  ].join(' and ');

/** Something on the card that speaks for a cause, as a sentence. */
export function describeGround(ground: CauseGround): string {
  switch (ground.code) {
    case 'takes-of-a-frame':
      return `It takes about ${formatMs(ground.ms)} ms a frame where that is heaviest, and a frame may take ${formatMs(ground.budgetMs)}.`;
    case 'heaviest-stream': {
      const { codec, bitDepth, chroma, widthPx, heightPx, frameRateFps } = ground.stream;
      return `The heaviest clips are ${nameCodec(codec)} ${describeDepth(bitDepth, chroma)}, ${Math.round(widthPx)} × ${Math.round(heightPx)} at ${formatFps(frameRateFps)}.`;
    }
    case 'effects-listed':
      return `${listEffects(ground.effects)}.`;
    case 'layers-listed':
      return `At once there are ${describeLayers(ground.videoLayerCount, ground.titleCount, ground.emptyCount)}.`;
    case 'extra-work':
      return `${joinLabels(
        [
          ...ground.habits.map((id) => habitTexts[id]),
          ...(ground.workingDepthBits > 8 ? [`Colours are computed in ${ground.workingDepthBits} bits`] : []),
        ],
        '; ',
      )}.`;
    case 'drawn-larger-than-seen':
      return `It is drawn ${Math.round(ground.drawnHeightPx)} pixels high and seen at ${Math.round(ground.seenHeightPx)}.`;
    case 'programs-listed':
      return `The programs that you could close take ${formatFps(ground.busyCores)} of ${formatCount(ground.coreCount, 'core')} and ${formatMemory(ground.memoryMib)}.`;
    case 'power-saved':
      return 'The power mode saves.';
    case 'on-battery':
      return 'It is not plugged in.';
    case 'gets-hot':
      return 'It gets hot under load.';
    case 'memory-wanted':
      return `Everything together wants about ${formatMemory(ground.wantedMib)} of the ${formatMemory(ground.memoryMib)} there are.`;
    case 'editor-kept-short':
      return `The editor wants about ${formatMemory(ground.wantedMib)} and may take ${formatMemory(ground.givenMib)}.`;
    case 'preview-memory':
      return `About ${formatMemory(ground.memoryMib)} are there for computed pictures.`;
    case 'drive-rated':
      return `Such a drive gives about ${formatMs(ground.megabytePerSec)} MB a second; the footage wants up to ${formatMs(ground.wantedMegabytePerSec)}.`;
    case 'system-drive-room':
      return `${formatMs(100 * ground.freeRatio)} % of the system’s drive are free.`;
    case 'cache-drive':
      return `The cache lies on a drive that gives about ${formatMs(ground.megabytePerSec)} MB a second.`;
    case 'not-up-to-date':
      return 'Not everything is up to date.';
    case 'not-restarted':
      return 'The machine has not been restarted.';
    case 'hardware-decode-set-off':
      return 'Hardware decoding is set to off, and the graphics could decode some of these clips.';
    case 'graphics-drawing-set-off':
      return 'Drawing on the graphics is set to off.';
    case 'graphics-memory-wanted':
      return `Drawing wants about ${formatMemory(ground.wantedMib)} of the graphics’ ${formatMemory(ground.memoryMib)}.`;
    case 'second-graphics':
      return 'The machine has slower graphics as well.';
    case 'said-to-build':
      return 'The editor is building beside.';
    case 'proxies-not-attached':
      return 'Proxies were made, and the editor does not know of them.';
    case 'proxies-not-used':
      return 'The editor knows the proxies, and the preview is not set to show them.';
    case 'proxies-only-lower':
      return `The editor shows proxies at a preview quality of 1/${Math.round(1 / ground.qualityRatio)} and below; it is set higher.`;
    case 'panel-said-open':
      return 'A panel with the original is open.';
    case 'project-larger':
      return `The project is ${Math.round(ground.projectHeightPx)} pixels high, the film will be ${Math.round(ground.deliveredHeightPx)}.`;
    case 'project-faster':
      return `The project has ${formatFps(ground.projectFps)} frames a second, the film will have ${formatFps(ground.deliveredFps)}.`;
    default:
      return assertNever(ground);
  }
}
