import type { Fact } from '../machine/facts';
import { jobCardFormat, jobCardVersion } from './schema';
import type { JobCard } from './types';

const assumed = <T>(value: T): Fact<T> => ({ value, source: 'assumed' });

/** An empty card. Everything about the machine is assumed (a four-core laptop with shared graphics) until told. */
export function createJobCard(input: { readonly id: string; readonly title: string; readonly nowMs: number }): JobCard {
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
    targetFps: null,
    machine: {
      coreCount: assumed(4),
      speedClass: assumed('modest'),
      memoryMib: assumed(8192),
      graphics: assumed('shared'),
      graphicsYear: assumed(2019),
      powerMode: assumed('balanced'),
      isPluggedIn: assumed('unknown'),
      footageDrive: assumed('internal-solid-state'),
    },
    programs: [],
    clips: [],
    decodeTests: [],
    timeline: {
      isDescribed: false,
      widthPx: 1920,
      heightPx: 1080,
      frameRate: { num: 25, den: 1 },
      videoLayerCount: 1,
      titleCount: 0,
      effects: [],
    },
    preview: {
      qualityRatio: 1,
      heightPx: null,
      viewerHeightPx: null,
      hardwareDecode: 'unknown',
      graphicsDrawing: 'unknown',
    },
    symptoms: { moments: [], kinds: [] },
    readings: [],
    trials: [],
    putBackDone: [],
    finishedSteps: [],
  };
}
