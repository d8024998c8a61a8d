import { countFreezes } from '../meter/freezes';

/** A stored document of some older version, on its way to the newest. */
export type RawCard = Readonly<Record<string, unknown>>;

const isRecord = (value: unknown): value is RawCard =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Clips were videos from files, and no more was known of them; nothing had been test-played. */
function addClipKinds(card: RawCard): RawCard {
  const toClip = (clip: unknown): unknown =>
    isRecord(clip) && isRecord(clip.facts)
      ? {
          ...clip,
          facts: {
            ...clip.facts,
            kind: 'video',
            codecString: null,
            level: null,
            scan: 'unknown',
            pixelAspect: { num: 1, den: 1 },
            frameIntervals: null,
            videoTrackCount: 1,
          },
          origin: 'file',
          folder: '',
          drive: null,
          correctedFields: [],
          browserAnswer: null,
        }
      : clip;
  const clips = Array.isArray(card.clips) ? card.clips.map(toClip) : card.clips;
  return { ...card, version: 2, clips, decodeTests: [] };
}

const isList = (value: unknown): value is readonly unknown[] => Array.isArray(value);
const extend = (value: unknown, added: RawCard): unknown => (isRecord(value) ? { ...value, ...added } : value);

/** Nothing was asked of the editor's own set-up, of further parts of the machine, of cuts, or of what tells causes apart. */
function addDiagnosis(card: RawCard): RawCard {
  const assumed = (value: unknown) => ({ value, source: 'assumed' });
  const toReading = (reading: unknown) =>
    extend(reading, { moment: 'start', playFeel: null, scrubMs: null, openingSec: null, isGoodEnough: 'unknown' });
  return {
    ...card,
    version: 3,
    machine: extend(card.machine, {
      graphicsMemoryMib: assumed(2048),
      hasSecondGraphics: assumed('unknown'),
      isThin: assumed('unknown'),
      systemDriveFreePercent: assumed(25),
      cacheDrive: assumed('internal-solid-state'),
    }),
    timeline: extend(card.timeline, {
      coveredLayerCount: 0,
      isBlendingNeeded: 'unknown',
      cutsPerMinute: null,
      transitionRatio: 0,
      unusedClipCount: 0,
    }),
    editor: {
      playsBy: 'unknown',
      proxies: 'unknown',
      proxyHeightPx: null,
      isSourcePanelOpen: 'unknown',
      isBuilding: 'unknown',
      areThumbnailsOn: 'unknown',
      workingDepthBits: null,
      lateFrames: 'unknown',
      memoryGivenMib: null,
      previewMemoryMib: null,
      habits: {
        'fine-scaling': 'unknown',
        'exact-colour': 'unknown',
        'drawings-on-picture': 'unknown',
        'second-output': 'unknown',
        'dense-window': 'unknown',
      },
    },
    readings: isList(card.readings) ? card.readings.map(toReading) : card.readings,
    answers: [],
    refused: [],
  };
}

/** A reading was one figure; how it came about was not kept. */
function addMeasurements(card: RawCard): RawCard {
  const toReading = (reading: unknown) =>
    extend(reading, {
      waitSec: null,
      fitSec: null,
      exportMinutes: null,
      coreUsePercent: null,
      memoryUsePercent: null,
      stretch: '',
      viewer: 'unknown',
      doing: 'playing',
      withEffects: 'unknown',
      pass: 'unknown',
      isAfterRestart: 'unknown',
      measured: null,
      tapped: null,
    });
  const readings = isList(card.readings) ? card.readings.map(toReading) : card.readings;
  return { ...card, version: 4, readings };
}

/** Trials went one way only; nothing was kept of the person's editor, of working sets, or of a chosen plan. */
function addLoop(card: RawCard): RawCard {
  const toTrial = (trial: unknown) =>
    isRecord(trial) ? { ...trial, direction: 'make', madeAtMs: trial.endedAtMs ?? null } : trial;
  return {
    ...card,
    version: 5,
    trials: isList(card.trials) ? card.trials.map(toTrial) : card.trials,
    editorProfile: { name: '', viewers: '', previews: '', attachWay: 'unknown', lacks: [], notes: [] },
    workingSets: [],
    workingSetId: null,
    chosenPlan: [],
    exportCheck: { pointsAtCopies: 'unknown', ticked: [] },
  };
}

/** Test-plays decoded a clip and did not measure the drive that it lay on. */
function addFileReads(card: RawCard): RawCard {
  const decodeTests = isList(card.decodeTests)
    ? card.decodeTests.map((test) => extend(test, { fileRead: null }))
    : card.decodeTests;
  return { ...card, version: 6, decodeTests };
}

/** A freeze was any interval over two and a half deadlines: a slow preview seemed to freeze all the time. */
function countFreezesAnew(reading: unknown): unknown {
  if (!isRecord(reading) || !isRecord(reading.measured) || !isList(reading.measured.intervalsMs)) return reading;
  const intervalsMs = reading.measured.intervalsMs.filter((ms) => typeof ms === 'number');
  const spanMs = intervalsMs.reduce((sum, ms) => sum + ms, 0);
  const freezesPerMinute = spanMs > 0 ? Math.round((countFreezes(intervalsMs) * 6_000_000) / spanMs) / 100 : 0;
  return { ...reading, measured: { ...reading.measured, freezesPerMinute } };
}

/**
 * A timeline was described as a whole; whoever said one thing of it had been asked for all. Programs always had figures,
 * and nobody was asked how far the film is.
 */
function addStatements(card: RawCard): RawCard {
  const { timeline, machine } = card;
  const toTimeline = ({ isDescribed, ...rest }: RawCard): RawCard => ({
    ...rest,
    stated: isDescribed
      ? [
          'widthPx',
          'heightPx',
          'frameRate',
          'videoLayerCount',
          'titleCount',
          'coveredLayerCount',
          'unusedClipCount',
          'effects',
        ]
      : [],
  });
  const readings = isList(card.readings) ? card.readings.map(countFreezesAnew) : card.readings;
  return {
    ...card,
    version: 7,
    readings,
    heldReadings: [],
    filmStage: 'unknown',
    machine: extend(machine, { programPercent: { value: 'one-core', source: 'assumed' } }),
    timeline: isRecord(timeline) ? toTimeline(timeline) : timeline,
  };
}

/** Programs were names with figures; a machine had no name, no drives of its own, and was not measured but by test-plays. */
function addPrograms(card: RawCard): RawCard {
  const toProgram = (program: unknown) =>
    extend(program, { role: 'unknown', source: 'typed', processCount: null, rootProcessId: null, outcome: null });
  return {
    ...card,
    version: 8,
    machineProfile: { id: '', name: '' },
    drives: [],
    machineTest: null,
    cache: { usedGb: null, limitGb: null },
    programs: isList(card.programs) ? card.programs.map(toProgram) : card.programs,
    programsSeen: null,
    programsCheck: null,
  };
}

/** That proxies exist was said of all clips alike; now each is known by its file. */
const addProxies = (card: RawCard): RawCard => ({ ...card, version: 9, proxies: [] });

/** Programs were looked at as they were on average; caches were one; of proxies that existed only the height was asked. */
function addCourses(card: RawCard): RawCard {
  const each = (list: unknown, added: RawCard) => (isList(list) ? list.map((item) => extend(item, added)) : list);
  const addSmallPiece = (test: unknown) =>
    isRecord(test) ? { ...test, fileRead: extend(test.fileRead, { smallPieceMs: null }) } : test;
  return {
    ...card,
    version: 10,
    machineTest: extend(card.machineTest, { storage: null }),
    clipCache: { usedGb: null, limitGb: null },
    programs: each(card.programs, { driveMegabytePerSec: null, peakCores: null, changeCores: null }),
    proxies: each(card.proxies, { isShown: 'unknown' }),
    decodeTests: isList(card.decodeTests) ? card.decodeTests.map(addSmallPiece) : card.decodeTests,
    editor: extend(card.editor, { proxyCodec: null, isEveryProxyFrameKey: 'unknown', proxyQualityRatio: null }),
    readings: each(card.readings, { recorderName: '' }),
  };
}

/**
 * How strong an effect is was not asked, how long the film is neither, and empty tracks were not counted. All editors were taken to
 * have the same qualities, and to export at the preview's; all people to want the whole rate.
 */
function addStrengths(card: RawCard): RawCard {
  const { timeline } = card;
  const effects = isRecord(timeline) && isList(timeline.effects) ? timeline.effects : null;
  return {
    ...card,
    version: 11,
    symptoms: extend(card.symptoms, { enough: 'smooth' }),
    editorProfile: extend(card.editorProfile, { qualities: '', exportFollowsPreview: 'unknown' }),
    timeline: extend(timeline, {
      trackCount: null,
      lengthMin: null,
      ...(effects && { effects: effects.map((effect) => extend(effect, { strength: 'usual' })) }),
    }),
  };
}

/** Nothing was learned from one card for the next. */
const addLessons = (card: RawCard): RawCard => ({ ...card, version: 12, lessons: [] });

/** How even frames are in size was not read. */
function addEvenness(card: RawCard): RawCard {
  const sizeEvenness = null;
  const toClip = (clip: unknown): unknown =>
    isRecord(clip) && isRecord(clip.facts) && clip.facts.kind === 'video'
      ? { ...clip, facts: { ...clip.facts, sizeEvenness } }
      : clip;
  const toTest = (test: unknown): unknown =>
    isRecord(test) ? { ...test, stream: extend(test.stream, { sizeEvenness }) } : test;
  return {
    ...card,
    version: 13,
    clips: isList(card.clips) ? card.clips.map(toClip) : card.clips,
    decodeTests: isList(card.decodeTests) ? card.decodeTests.map(toTest) : card.decodeTests,
  };
}

/**
 * One step a version: `migrations[1]` turns a version 1 document into a version 2 one, and so on.
 * Steps are pure, never removed, and each comes with a stored example in its test. Version 1 is the first.
 */
export const migrations: Readonly<Record<number, (card: RawCard) => RawCard>> = {
  1: addClipKinds,
  2: addDiagnosis,
  3: addMeasurements,
  4: addLoop,
  5: addFileReads,
  6: addStatements,
  7: addPrograms,
  8: addProxies,
  9: addCourses,
  10: addStrengths,
  11: addLessons,
  12: addEvenness,
};

/** Takes a document up to `newest` step by step; throws where a step is missing, which a test rules out. */
export function migrateCard(
  card: RawCard,
  from: number,
  newest: number,
  steps: Readonly<Record<number, (card: RawCard) => RawCard>> = migrations,
): RawCard {
  let current = card;
  for (let version = from; version < newest; version++) {
    const step = steps[version];
    if (!step) throw new Error(`migrateCard: no step from version ${version}`);
    current = step(current);
  }
  return current;
}
