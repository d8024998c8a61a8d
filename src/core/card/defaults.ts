import type { Fact } from '../machine/facts';
import { jobCardFormat, jobCardVersion } from './schema';
import type { CardEditor, EditorProfile, ExportCheckState, JobCard, Lesson } from './types';

const assumed = <T>(value: T): Fact<T> => ({ value, source: 'assumed' });

/** An editor of which nothing is known. */
export const unknownEditor: CardEditor = {
  playsBy: 'unknown',
  proxies: 'unknown',
  proxyHeightPx: null,
  proxyCodec: null,
  isEveryProxyFrameKey: 'unknown',
  proxyQualityRatio: null,
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
};

/** An editor of which the person has said nothing yet. */
export const unknownProfile: EditorProfile = {
  name: '',
  viewers: '',
  previews: '',
  attachWay: 'unknown',
  qualities: '',
  exportFollowsPreview: 'unknown',
  lacks: [],
  notes: [],
};

/** Nothing asked or ticked before export. */
export const openExportCheck: ExportCheckState = { pointsAtCopies: 'unknown', ticked: [] };

/** What is known of a machine, as a card holds it: each card has its own copy. */
export type KnownMachine = Pick<JobCard, 'machine' | 'machineProfile' | 'drives' | 'machineTest'>;

/** What a card knows of its machine, for another card of the same machine. */
export const knownMachineOf = ({ machine, machineProfile, drives, machineTest }: JobCard): KnownMachine => ({
  machine,
  machineProfile,
  drives,
  machineTest,
});

/** An empty card. Everything about the machine is assumed (a four-core laptop with shared graphics) until told. */
export function createJobCard(input: {
  readonly id: string;
  readonly title: string;
  readonly nowMs: number;
  /** What is known of the person's editor from their card before. */
  readonly editorProfile?: EditorProfile;
  /** What that card taught of editor and machine. */
  readonly lessons?: readonly Lesson[] | undefined;
  /** The machine as their card before has it. */
  readonly machine?: KnownMachine;
}): JobCard {
  return {
    format: jobCardFormat,
    version: jobCardVersion,
    id: input.id,
    title: input.title,
    createdAtMs: input.nowMs,
    updatedAtMs: input.nowMs,
    firstThings: {
      saved: 'unknown',
      autosave: 'unknown',
      restarted: 'unknown',
      'up-to-date': 'unknown',
      'meets-minimum': 'unknown',
    },
    delivery: { heightPx: null, frameRateFps: null },
    filmStage: 'unknown',
    targetFps: null,
    machine: input.machine?.machine ?? {
      coreCount: assumed(4),
      speedClass: assumed('modest'),
      memoryMib: assumed(8192),
      graphics: assumed('shared'),
      graphicsYear: assumed(2019),
      powerMode: assumed('balanced'),
      isPluggedIn: assumed('unknown'),
      footageDrive: assumed('internal-solid-state'),
      graphicsMemoryMib: assumed(2048),
      hasSecondGraphics: assumed('unknown'),
      isThin: assumed('unknown'),
      systemDriveFreePercent: assumed(25),
      cacheDrive: assumed('internal-solid-state'),
      programPercent: assumed('one-core'),
    },
    machineProfile: input.machine?.machineProfile ?? { id: '', name: '' },
    drives: input.machine?.drives ?? [],
    machineTest: input.machine?.machineTest ?? null,
    cache: { usedGb: null, limitGb: null },
    clipCache: { usedGb: null, limitGb: null },
    programs: [],
    programsSeen: null,
    programsCheck: null,
    proxies: [],
    clips: [],
    decodeTests: [],
    timeline: {
      stated: [],
      widthPx: 1920,
      heightPx: 1080,
      frameRate: { num: 25, den: 1 },
      videoLayerCount: 1,
      titleCount: 0,
      coveredLayerCount: 0,
      trackCount: null,
      isBlendingNeeded: 'unknown',
      cutsPerMinute: null,
      lengthMin: null,
      transitionRatio: 0,
      unusedClipCount: 0,
      effects: [],
    },
    preview: {
      qualityRatio: 1,
      heightPx: null,
      viewerHeightPx: null,
      hardwareDecode: 'unknown',
      graphicsDrawing: 'unknown',
    },
    editor: unknownEditor,
    symptoms: { moments: [], kinds: [], enough: 'smooth' },
    readings: [],
    heldReadings: [],
    trials: [],
    answers: [],
    refused: [],
    putBackDone: [],
    editorProfile: input.editorProfile ?? unknownProfile,
    lessons: input.lessons ?? [],
    workingSets: [],
    workingSetId: null,
    chosenPlan: [],
    exportCheck: openExportCheck,
    finishedSteps: [],
  };
}
