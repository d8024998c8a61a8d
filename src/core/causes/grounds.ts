import { shownStreamOf, showsProxies } from '../load/clip-cost';
import { mixClips } from '../load/clip-mix';
import { softwareDecodeMs } from '../load/decode-costs';
import type { DrawingHabitId } from '../load/drawing-habits';
import { editorWantsMib, graphicsNeededMib, memoryNeededMib, previewMemoryMibOf } from '../load/memory';
import { drawnLayerCount, idleBlendCount, previewHeightPx } from '../load/preview-picture';
import { canHardwareDecode } from '../load/state-facts';
import type { PictureStream, SetupEffect, SetupState, StageCost } from '../load/types';
import type { CauseId, LoadCause } from './catalogue';
import { extraWorkOf, isMoreThanDelivered, neededDepthBits } from './definitions/editor';
import { isInTheWay, isPreviewMemoryShort } from './definitions/machine';
import { isSlowDrive } from './slow-drive';
import { stagesOfTerm } from './stages-of-term';
import { savingRatio, shortOf } from './thresholds';
import type { PriorFacts } from './types';

/** What stands on a card and speaks for a cause, with its figures; the words are the messages'. */
export type CauseGround =
  | { readonly code: 'takes-of-a-frame'; readonly ms: number; readonly budgetMs: number }
  | { readonly code: 'heaviest-stream'; readonly stream: PictureStream }
  | { readonly code: 'effects-listed'; readonly effects: readonly SetupEffect[] }
  | { readonly code: 'extra-work'; readonly habits: readonly DrawingHabitId[]; readonly workingDepthBits: number }
  | {
      readonly code: 'layers-listed';
      readonly videoLayerCount: number;
      readonly titleCount: number;
      readonly emptyCount: number;
    }
  | { readonly code: 'drawn-larger-than-seen'; readonly drawnHeightPx: number; readonly seenHeightPx: number }
  | {
      readonly code: 'programs-listed';
      readonly busyCores: number;
      readonly coreCount: number;
      readonly memoryMib: number;
    }
  | { readonly code: 'power-saved' | 'on-battery' | 'gets-hot' }
  | { readonly code: 'memory-wanted'; readonly wantedMib: number; readonly memoryMib: number }
  | { readonly code: 'editor-kept-short'; readonly wantedMib: number; readonly givenMib: number }
  | { readonly code: 'preview-memory'; readonly memoryMib: number }
  | { readonly code: 'drive-rated'; readonly megabytePerSec: number; readonly wantedMegabytePerSec: number }
  | { readonly code: 'system-drive-room'; readonly freeRatio: number }
  | { readonly code: 'cache-drive'; readonly megabytePerSec: number }
  | { readonly code: 'not-up-to-date' | 'not-restarted' }
  | { readonly code: 'hardware-decode-set-off' | 'graphics-drawing-set-off' | 'second-graphics' }
  | { readonly code: 'graphics-memory-wanted'; readonly wantedMib: number; readonly memoryMib: number }
  | { readonly code: 'proxies-only-lower'; readonly qualityRatio: number }
  | { readonly code: 'said-to-build' | 'proxies-not-attached' | 'proxies-not-used' | 'panel-said-open' }
  | { readonly code: 'project-larger'; readonly projectHeightPx: number; readonly deliveredHeightPx: number }
  | { readonly code: 'project-faster'; readonly projectFps: number; readonly deliveredFps: number };

/** What grounds are looked for in. */
export interface GroundView {
  readonly state: SetupState;
  readonly facts: PriorFacts;
  /** Where a frame's time goes by all that is believed. */
  readonly stages: readonly StageCost[];
  readonly budgetMs: number;
}

type Grounds = (view: GroundView) => readonly (CauseGround | false)[];

/** A term of the load that takes less than this share of a frame is no ground. */
const leastOfFrame = 0.25;
const littleRoom = 0.12;

function timeOf(term: LoadCause['term'], { stages, budgetMs }: GroundView): CauseGround | false {
  const ms = stages.reduce((sum, stage) => sum + (stagesOfTerm[term].includes(stage.id) ? stage.ms : 0), 0);
  return ms >= leastOfFrame * budgetMs && { code: 'takes-of-a-frame', ms, budgetMs };
}

const decodeMsOf = (stream: PictureStream): number =>
  softwareDecodeMs({
    ...stream,
    megapixels: (stream.widthPx * stream.heightPx) / 1e6,
    megabits: stream.bitrateMbitPerSec / stream.frameRateFps,
  });

/** The stream that takes longest to decode among those that the preview shows. */
function heaviestStream(state: SetupState): CauseGround | false {
  const areProxiesShown = showsProxies(state);
  const streams = state.setup.clips
    .map((clip) => shownStreamOf(clip, areProxiesShown))
    .filter(({ codec }) => codec !== 'still');
  const [first, ...others] = streams.map((stream) => ({ stream, ms: decodeMsOf(stream) * stream.frameRateFps }));
  return (
    first !== undefined && {
      code: 'heaviest-stream',
      stream: others.reduce((top, other) => (other.ms > top.ms ? other : top), first).stream,
    }
  );
}

const memoryGrounds: Grounds = ({ state, facts }) => {
  const { machine, editor } = state.setup;
  const mix = mixClips(state);
  const wantedMib = memoryNeededMib(state.setup, mix);
  const editorMib = editorWantsMib(state.setup, mix);
  return [
    facts.isMemoryStated &&
      wantedMib > shortOf.memory * machine.memoryMib && {
        code: 'memory-wanted',
        wantedMib,
        memoryMib: machine.memoryMib,
      },
    editor.memoryGivenMib !== null &&
      editorMib > shortOf.memory * editor.memoryGivenMib && {
        code: 'editor-kept-short',
        wantedMib: editorMib,
        givenMib: editor.memoryGivenMib,
      },
    isPreviewMemoryShort(state) && { code: 'preview-memory', memoryMib: previewMemoryMibOf(state.setup) },
  ];
};

const driveGrounds: Grounds = ({ state }) => {
  const { setup } = state;
  const areProxiesShown = showsProxies(state);
  const slow = setup.clips
    .map((clip) => shownStreamOf(clip, areProxiesShown))
    .filter(({ drive }) => isSlowDrive(drive));
  const [first] = slow;
  if (!first) return [];
  return [
    {
      code: 'drive-rated',
      megabytePerSec: slow.reduce((least, { drive }) => Math.min(least, drive.readMegabytePerSec), Infinity),
      wantedMegabytePerSec:
        (slow.reduce((most, { bitrateMbitPerSec }) => Math.max(most, bitrateMbitPerSec), 0) / 8) *
        setup.timeline.videoLayerCount,
    },
  ];
};

const programGrounds: Grounds = ({ state: { setup } }) => {
  const listed = setup.programs.filter(({ canClose }) => canClose !== 'no');
  const busyCores = listed.reduce((sum, program) => sum + program.busyCores, 0);
  const memoryMib = listed.reduce((sum, program) => sum + program.memoryMib, 0);
  return [
    listed.some(isInTheWay) && { code: 'programs-listed', busyCores, coreCount: setup.machine.coreCount, memoryMib },
  ];
};

const graphicsMemoryGrounds: Grounds = ({ state: { setup } }) => {
  const wantedMib = graphicsNeededMib(setup);
  const memoryMib = setup.machine.graphicsMemoryMib;
  return [wantedMib > shortOf.graphicsMemory * memoryMib && { code: 'graphics-memory-wanted', wantedMib, memoryMib }];
};

const sizeGrounds: Grounds = (view) => {
  const { timeline, preview } = view.state.setup;
  const drawnHeightPx = previewHeightPx(timeline, preview);
  const seenHeightPx = preview.viewerHeightPx;
  return [
    timeOf('size', view),
    seenHeightPx !== null &&
      drawnHeightPx > seenHeightPx && { code: 'drawn-larger-than-seen', drawnHeightPx, seenHeightPx },
  ];
};

const projectGrounds: Grounds = ({ state: { setup } }) => {
  const { timeline, delivered } = setup;
  const { heightPx, frameRateFps } = delivered;
  return [
    isMoreThanDelivered(timeline.heightPx, heightPx) && {
      code: 'project-larger',
      projectHeightPx: timeline.heightPx,
      deliveredHeightPx: heightPx,
    },
    isMoreThanDelivered(timeline.frameRateFps, frameRateFps) && {
      code: 'project-faster',
      projectFps: timeline.frameRateFps,
      deliveredFps: frameRateFps,
    },
  ];
};

/** Of what stands on a card, what speaks for each cause; nothing where only readings and looks can. */
const groundsOf: Readonly<Record<CauseId, Grounds>> = {
  'decode-heavy': (view) => [timeOf('decode', view), heaviestStream(view.state)],
  'effects-heavy': (view) => {
    const { effects } = view.state.setup.timeline;
    return [timeOf('effects', view), effects.length > 0 && { code: 'effects-listed', effects }];
  },
  'layers-heavy': (view) => {
    const { timeline } = view.state.setup;
    const { titleCount } = timeline;
    const layerCount = drawnLayerCount(timeline);
    const emptyCount = idleBlendCount(timeline) - 1;
    return [
      timeOf('layers', view),
      layerCount + titleCount + emptyCount > 1 && {
        code: 'layers-listed',
        videoLayerCount: layerCount,
        titleCount,
        emptyCount,
      },
    ];
  },
  'preview-too-large': sizeGrounds,
  'programs-busy': programGrounds,
  'power-or-heat': ({ state, facts }) => [
    state.setup.machine.powerRatio < savingRatio && { code: 'power-saved' },
    facts.isPluggedIn === 'no' && { code: 'on-battery' },
    state.setup.machine.isThin === 'yes' && { code: 'gets-hot' },
  ],
  'memory-short': memoryGrounds,
  'drive-slow': driveGrounds,
  'system-drive-full': ({ state, facts }) => {
    const freeRatio = state.setup.machine.systemDriveFreeRatio;
    return [facts.isSystemDriveStated && freeRatio < littleRoom && { code: 'system-drive-room', freeRatio }];
  },
  'cache-misplaced': ({ state }) => {
    const { cacheDrive } = state.setup.machine;
    return [isSlowDrive(cacheDrive) && { code: 'cache-drive', megabytePerSec: cacheDrive.readMegabytePerSec }];
  },
  'software-stale': ({ facts }) => [
    facts.isUpToDate === 'no' && { code: 'not-up-to-date' },
    facts.wasRestarted === 'no' && { code: 'not-restarted' },
  ],
  'hardware-decode-off': ({ state: { setup } }) => [
    setup.preview.hardwareDecode === 'no' && canHardwareDecode(setup) && { code: 'hardware-decode-set-off' },
  ],
  'preview-overdone': ({ state }) => {
    const habits = extraWorkOf(state);
    const { workingDepthBits } = state.setup.preview;
    return [
      (habits.length > 0 || workingDepthBits > neededDepthBits) && { code: 'extra-work', habits, workingDepthBits },
    ];
  },
  'hardware-decode-unreliable': () => [],
  'graphics-drawing-off': ({ state: { setup } }) => [
    setup.preview.graphicsDrawing === 'no' && setup.machine.graphicsRatio > 1 && { code: 'graphics-drawing-set-off' },
  ],
  'graphics-drawing-unreliable': () => [],
  'graphics-memory-short': graphicsMemoryGrounds,
  'wrong-graphics': ({ state }) => [state.setup.machine.hasSecondGraphics === 'yes' && { code: 'second-graphics' }],
  'building-previews': ({ facts }) => [facts.isBuilding === 'yes' && { code: 'said-to-build' }],
  'proxies-not-shown': ({ state: { setup, hidden } }) => {
    const hasProxies = setup.clips.some(({ proxy }) => proxy !== null);
    return [
      hasProxies && !hidden.areProxiesAttached && { code: 'proxies-not-attached' },
      hasProxies && hidden.areProxiesAttached && !hidden.areProxiesShown && { code: 'proxies-not-used' },
      hasProxies &&
        setup.preview.qualityRatio > hidden.proxiesUpToRatio && {
          code: 'proxies-only-lower',
          qualityRatio: hidden.proxiesUpToRatio,
        },
    ];
  },
  'panel-reads-originals': ({ facts }) => [facts.isSourcePanelOpen === 'yes' && { code: 'panel-said-open' }],
  'project-mismatch': projectGrounds,
  'nothing-explains-it': () => [],
};

/** What of a card itself speaks for a cause, before any reading. O(clips). */
export const listGrounds = (id: CauseId, view: GroundView): readonly CauseGround[] =>
  groundsOf[id](view).filter((ground) => ground !== false);
