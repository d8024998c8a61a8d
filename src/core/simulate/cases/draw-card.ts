import type { CardClip, CardMachine, JobCard, LagMoment } from '../../card/types';
import { createRandom, type Random, seedOf } from '../../numbers/random';
import type { BenchComplaint } from '../gap';
import type { Rig } from '../types';
import type { DrawnFacts, DrawnStream } from './draw-rig';
import type { ReadFigures } from './person';

/** When cases take place; a card's times are of no meaning to what is concluded. */
const caseStartMs = 1_795_000_000_000;

/** A timeline that was described was described whole. */
const everyField = [
  'widthPx',
  'heightPx',
  'frameRate',
  'videoLayerCount',
  'titleCount',
  'coveredLayerCount',
  'unusedClipCount',
  'effects',
] as const satisfies JobCard['timeline']['stated'];

const momentOf: Readonly<Record<BenchComplaint, LagMoment>> = {
  playing: 'playing',
  scrubbing: 'scrubbing',
  later: 'after-a-while',
  opening: 'at-opening',
  looking: 'looking-through-clips',
  cuts: 'at-cuts',
  waiting: 'waiting-for-the-picture',
};

const rateOf = (fps: number): { readonly num: number; readonly den: number } => ({
  num: Math.round(fps * 1000),
  den: 1000,
});

/** Codecs that a browser takes, at 8 bits and 4:2:0; HEVC only where the graphics decode it. */
const browserCodecs: readonly string[] = ['h264', 'vp9'];

/** What a browser answers when it is asked for hardware: it accepts more than there is, and misses some that is there. */
function browserAnswerOf({ codec, bitDepth, chroma }: DrawnStream, canHardware: boolean, caseId: string) {
  // The same for all clips of a kind; luck of its own, so that it changes nothing else of a case.
  const random = createRandom(seedOf(`${caseId} ${codec} ${bitDepth} ${chroma}`));
  const isTaken = browserCodecs.includes(codec) && bitDepth === 8 && chroma === '4:2:0';
  if (!isTaken && !(codec === 'hevc' && canHardware)) return 'codec-unknown' as const;
  return random.isTrue(canHardware ? 0.95 : 0.2) ? ('accepted' as const) : ('refused' as const);
}

function toCardClip(rig: Rig, drawn: DrawnStream, index: number, caseId: string): CardClip {
  const clip = rig.clips[index];
  if (!clip) throw new Error(`toCardClip: no clip ${index}`);
  const canHardware = clip.original.canHardware && rig.graphics.decodeMegapixelPerSec > 0;
  return {
    id: `clip-${index + 1}`,
    facts: {
      kind: 'video',
      fileName: `take-${index + 1}.mov`,
      sizeBytes: Math.round((drawn.megabitPerSec * clip.seconds * 1e6) / 8),
      container: 'mov',
      codec: drawn.codec,
      codecString: null,
      profile: '',
      level: null,
      bitDepth: drawn.bitDepth,
      chroma: drawn.chroma,
      scan: 'unknown',
      widthPx: drawn.widthPx,
      heightPx: drawn.heightPx,
      pixelAspect: { num: 1, den: 1 },
      frameRate: rateOf(drawn.fps),
      isVariableFrameRate: false,
      frameIntervals: null,
      bitrateMbitPerSec: drawn.megabitPerSec,
      durationMs: clip.seconds * 1000,
      frameCount: Math.round(clip.seconds * drawn.fps),
      keyFrameDistance: {
        longestFrames: drawn.keyEveryFrames,
        meanFrames: drawn.keyEveryFrames,
        isSampled: false,
      },
      sizeEvenness: null,
      rotationDegrees: 0,
      videoTrackCount: 1,
      audio: null,
    },
    origin: 'file',
    folder: '',
    drive: null,
    correctedFields: [],
    browserAnswer: {
      hardware: browserAnswerOf(drawn, canHardware, caseId),
      isSmooth: 'unknown',
      isPowerEfficient: 'unknown',
    },
  };
}

/** A fact that one time in ten is wrong or not there. */
class Doubt {
  constructor(private readonly random: Random) {}
  /** The truth; one time in twenty the wrong value, one in twenty what stands there where nobody said. */
  of<T>(truth: T, wrong: T, assumed: T): { readonly value: T; readonly source: 'typed' | 'assumed' } {
    const luck = this.random.next();
    if (luck < 0.05) return { value: wrong, source: 'typed' };
    return luck < 0.1 ? { value: assumed, source: 'assumed' } : { value: truth, source: 'typed' };
  }
  say<T>(truth: T, wrong: T, absent: T): T {
    return this.of(truth, wrong, absent).value;
  }
}

function toMachine(rig: Rig, facts: DrawnFacts, doubt: Doubt, random: Random): CardMachine {
  const slower = { slow: 'modest', modest: 'slow', usual: 'modest', fast: 'usual' } as const;
  // A power mode that holds the machine back is seen by some; heat and a worn supply are seen by nobody.
  const power = rig.faults.powerShare > 0.8 ? 'full' : random.isTrue(0.35) ? 'saving' : 'balanced';
  const isFull = rig.faults.systemDriveStall > 0.1;
  return {
    coreCount: doubt.of(rig.coreCount, Math.max(1, rig.coreCount / 2), 4),
    speedClass: doubt.of(facts.speedClass, slower[facts.speedClass], 'modest'),
    memoryMib: doubt.of(rig.memoryMib, rig.memoryMib * 2, 8192),
    graphics: doubt.of(facts.graphics, facts.graphics === 'shared' ? 'separate' : 'shared', 'shared'),
    graphicsYear: doubt.of(facts.graphicsYear, facts.graphicsYear + 3, 2019),
    powerMode: doubt.of(power, 'balanced', 'balanced'),
    isPluggedIn: doubt.of('yes', 'no', 'unknown'),
    footageDrive: doubt.of(facts.drive, 'internal-solid-state', 'internal-solid-state'),
    graphicsMemoryMib: doubt.of(Math.round(rig.graphics.memoryMib), 4096, 2048),
    hasSecondGraphics: doubt.of(
      rig.faults.isOnSlowGraphics ? 'yes' : random.pick(['no', 'no', 'yes']),
      'no',
      'unknown',
    ),
    isThin: doubt.of(rig.faults.heatShare < 1 ? 'yes' : random.pick(['yes', 'no']), 'no', 'unknown'),
    systemDriveFreePercent: doubt.of(isFull ? random.between(0, 6) : random.between(10, 70), 30, 25),
    cacheDrive: doubt.of(
      rig.faults.cacheWaitMs > 5
        ? random.pick(['external-spinning', 'network', 'memory-card'] as const)
        : 'internal-solid-state',
      'external-solid-state',
      'internal-solid-state',
    ),
    programPercent: { value: 'one-core', source: 'assumed' },
  };
}

/** Most people come while they cut; luck of its own, so that it changes nothing else of a case. */
const stageOf = (caseId: string): JobCard['filmStage'] =>
  createRandom(seedOf(`${caseId} film stage`)).isTrue(0.25) ? 'finishing' : 'cutting';

/** What somebody believes of small copies: that they are in use, when they once made them. */
function believedProxies(rig: Rig, random: Random): JobCard['editor']['proxies'] {
  const { areCopiesAttached, areCopiesShown } = rig.faults;
  if (rig.clips.every((clip) => clip.copy === null)) return random.isTrue(0.5) ? 'none' : 'unknown';
  if (areCopiesAttached && areCopiesShown) return 'shown';
  if (random.isTrue(0.55)) return 'shown';
  return areCopiesAttached ? 'attached' : 'made';
}

/** The card that a person of little patience fills in: a tenth of what it states is wrong or absent. */
export function drawCard(
  input: {
    readonly rig: Rig;
    readonly facts: DrawnFacts;
    readonly complaints: readonly BenchComplaint[];
    readonly reading: ReadFigures;
    readonly way: 'metered' | 'typed' | 'felt';
    readonly id: string;
  },
  random: Random,
): JobCard {
  const { rig, facts, reading } = input;
  const doubt = new Doubt(random);
  const streams = facts.streams;
  const clips = rig.clips.map((_, i) => {
    const drawn = streams[i % 3 === 2 ? i % streams.length : 0];
    if (!drawn) throw new Error('drawCard: no stream');
    return toCardClip(rig, drawn, i, input.id);
  });
  const known = (truth: boolean, chance: number): 'yes' | 'no' | 'unknown' =>
    random.isTrue(chance) ? doubt.say(truth ? 'yes' : 'no', truth ? 'no' : 'yes', 'unknown') : 'unknown';
  const copy = rig.clips.find((clip) => clip.copy !== null)?.copy ?? null;
  const isDescribed = !random.isTrue(0.08);
  const moments = input.complaints.map((complaint) => momentOf[complaint]);
  return {
    format: 'oil-can-job-card',
    version: 13,
    id: input.id,
    title: `Case ${input.id}`,
    createdAtMs: caseStartMs,
    updatedAtMs: caseStartMs,
    firstThings: {
      saved: 'yes',
      autosave: 'yes',
      restarted: random.pick(['yes', 'no', 'unknown']),
      'up-to-date': known(rig.faults.staleness < 1.1, 0.6),
      'meets-minimum': 'yes',
    },
    delivery: { heightPx: doubt.say(rig.deliveredHeightPx, null, null), frameRateFps: null },
    filmStage: stageOf(input.id),
    targetFps: null,
    machine: toMachine(rig, facts, doubt, random),
    programs: rig.programs.map((program, i) => ({
      id: `program-${i + 1}`,
      name: `Program ${i + 1}`,
      busyCores: Math.round(program.busyCores * random.factor(0.2) * 1000) / 1000,
      memoryMib: Math.round(program.memoryMib),
      canClose: program.isClosable ? 'yes' : 'no',
      role: 'unknown',
      source: 'typed',
      processCount: null,
      rootProcessId: null,
      outcome: null,
      driveMegabytePerSec: null,
      peakCores: null,
      changeCores: null,
    })),
    machineProfile: { id: '', name: '' },
    drives: [],
    machineTest: null,
    cache: { usedGb: null, limitGb: null },
    clipCache: { usedGb: null, limitGb: null },
    programsSeen: null,
    programsCheck: null,
    proxies: [],
    clips,
    decodeTests: [],
    timeline: {
      stated: isDescribed ? everyField : [],
      widthPx: Math.round(rig.timeline.widthPx),
      heightPx: Math.round(rig.timeline.heightPx),
      frameRate: rateOf(rig.timeline.fps),
      videoLayerCount: isDescribed
        ? rig.timeline.layerCount + (random.isTrue(0.5) ? rig.timeline.coveredLayerCount : 0)
        : 1,
      titleCount: isDescribed ? doubt.say(rig.timeline.titleCount, 0, 0) : 0,
      coveredLayerCount: random.isTrue(0.5) ? rig.timeline.coveredLayerCount : 0,
      trackCount: null,
      isBlendingNeeded: known(rig.timeline.isSeenThrough, 0.5),
      cutsPerMinute: random.isTrue(0.6) ? rig.timeline.cutsPerMinute : null,
      lengthMin: rig.timeline.lengthMin,
      transitionRatio: 0,
      unusedClipCount: rig.unusedClipCount,
      effects: (isDescribed ? rig.timeline.effects : [])
        .filter(() => !random.isTrue(0.05))
        .map(({ kind, layerCount, strength }, i) => ({ id: `effect-${i + 1}`, kind, layerCount, strength })),
    },
    preview: {
      qualityRatio: rig.preview.ratio,
      heightPx: null,
      viewerHeightPx: doubt.say<number | null>(rig.preview.seenHeightPx, null, null),
      hardwareDecode: facts.graphics === 'none' ? 'unknown' : known(rig.isDecodingOnGraphics, 0.6),
      graphicsDrawing: facts.graphics === 'none' ? 'unknown' : known(rig.isDrawingOnGraphics, 0.6),
    },
    editor: {
      playsBy: doubt.say(rig.design === 'computing-first' ? 'computing-first' : 'streaming', 'streaming', 'unknown'),
      proxies: believedProxies(rig, random),
      proxyHeightPx: copy ? copy.heightPx : null,
      proxyCodec: null,
      isEveryProxyFrameKey: 'unknown',
      proxyQualityRatio: null,
      isSourcePanelOpen: known(rig.faults.isPanelOnOriginals, 0.35),
      isBuilding: known(rig.faults.buildCores > 0, 0.35),
      areThumbnailsOn: known(rig.areThumbnailsMade, 0.6),
      workingDepthBits: doubt.say(rig.preview.depthRatio === 4 ? 32 : rig.preview.depthRatio === 2 ? 16 : 8, 8, null),
      lateFrames: doubt.say(rig.areLateFramesSkipped ? 'skipped' : 'all-played', 'skipped', 'unknown'),
      memoryGivenMib: rig.editorGivenMib === null ? null : Math.round(rig.editorGivenMib),
      previewMemoryMib: rig.design === 'computing-first' ? Math.round(rig.previewMemoryMib) : null,
      habits: {
        'fine-scaling': known(rig.preview.habits.includes('fine-scaling'), 0.4),
        'exact-colour': known(rig.preview.habits.includes('exact-colour'), 0.4),
        'drawings-on-picture': known(rig.preview.habits.includes('drawings-on-picture'), 0.4),
        'second-output': known(rig.preview.habits.includes('second-output'), 0.4),
        'dense-window': known(rig.preview.habits.includes('dense-window'), 0.4),
      },
    },
    symptoms: { moments, kinds: [], enough: 'smooth' },
    readings: [
      {
        id: 'reading-1',
        takenAtMs: caseStartMs,
        how: input.way === 'metered' ? 'metered' : 'typed',
        moment: 'start',
        waitSec: null,
        fitSec: null,
        exportMinutes: null,
        coreUsePercent: null,
        memoryUsePercent: null,
        stretch: '',
        viewer: 'timeline',
        doing: 'playing',
        withEffects: 'unknown',
        pass: 'unknown',
        isAfterRestart: 'unknown',
        measured: null,
        tapped: null,
        ...reading,
        isGoodEnough: 'no',
        fixes: [],
        recorderName: '',
        note: '',
      },
    ],
    heldReadings: [],
    trials: [],
    answers: [],
    refused: [],
    putBackDone: [],
    editorProfile: {
      name: '',
      viewers: '',
      previews: '',
      attachWay: 'unknown',
      qualities: '',
      exportFollowsPreview: 'unknown',
      lacks: [],
      notes: [],
    },
    lessons: [],
    workingSets: [],
    workingSetId: null,
    chosenPlan: [],
    exportCheck: { pointsAtCopies: 'unknown', ticked: [] },
    finishedSteps: [],
  };
}
