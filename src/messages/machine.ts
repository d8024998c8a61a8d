import {
  type DriveKind,
  type FactSource,
  type GraphicsKind,
  type KnownState,
  type PowerMode,
  type ProgramPercent,
  percentOfCores,
  type SpeedClass,
} from '@/core/machine';
import { formatCount, formatRate } from './format';

/** Where a fact comes from, as a small label. */
export const factSourceTexts: Readonly<Record<FactSource, { readonly label: string; readonly what: string }>> = {
  measured: { label: 'measured', what: 'Measured on this computer.' },
  read: {
    label: 'from this browser',
    what: 'Stated by this browser for this computer. Change it if it is another one that lags.',
  },
  imported: { label: 'imported', what: 'Taken from a file that you imported.' },
  typed: { label: 'typed', what: 'You typed it.' },
  assumed: { label: 'assumed', what: 'A guess until you say otherwise.' },
};

/** What each fact of the machine is called. */
export const machineFactNames = {
  coreCount: 'Processor cores',
  memoryMib: 'Memory',
  speedClass: 'Processor speed',
  graphics: 'Graphics',
  graphicsYear: 'Bought, or graphics from',
  footageDrive: 'The footage lies on',
  powerMode: 'Power mode',
  isPluggedIn: 'Plugged in',
  systemDriveFreePercent: 'Free on the system’s drive',
  cacheDrive: 'The editor’s cache lies on',
  graphicsMemoryMib: 'Graphics memory',
  hasSecondGraphics: 'It has slower graphics as well',
  isThin: 'It gets hot under load',
} as const;

/** What 100 % stands for beside a program in the system's monitor, with where that is so. */
export const programPercentTexts: Readonly<Record<ProgramPercent, string>> = {
  'one-core': 'one core (macOS, Linux)',
  'all-cores': 'all cores together (Windows)',
};

/** A processor's share by the way of counting that was not typed: "12.5 % of all 4 cores". */
export function describeCoreShare(busyCores: number, typedOf: ProgramPercent, coreCount: number): string {
  const other = typedOf === 'one-core' ? 'all-cores' : 'one-core';
  const percent = formatRate(percentOfCores(busyCores, other, coreCount));
  return other === 'all-cores' ? `${percent} % of all ${formatCount(coreCount, 'core')}` : `${percent} % of one core`;
}

/** How quick the processor is, in words that need no measuring program. */
export const speedClassTexts: Readonly<Record<SpeedClass, { readonly label: string; readonly what: string }>> = {
  slow: { label: 'Slow', what: 'a small or fanless laptop, or one from before 2016' },
  modest: { label: 'Modest', what: 'a thin laptop of 2016 to 2020' },
  usual: { label: 'Usual', what: 'a laptop or PC of the last five years' },
  fast: { label: 'Fast', what: 'bought for speed in the last three years' },
};

export const graphicsTexts: Readonly<Record<GraphicsKind, { readonly label: string; readonly what: string }>> = {
  none: { label: 'None the editor can use', what: 'everything is drawn by the processor' },
  shared: { label: 'Shared', what: 'part of the processor, shares its memory' },
  separate: { label: 'Separate', what: 'a graphics card or chip with memory of its own' },
};

export const powerModeTexts: Readonly<Record<PowerMode, string>> = {
  saving: 'Saving',
  balanced: 'Balanced',
  full: 'Full',
};

export const driveTexts: Readonly<Record<DriveKind, string>> = {
  'internal-solid-state': 'Inside, solid-state',
  'internal-spinning': 'Inside, spinning disk',
  'external-solid-state': 'Outside, solid-state',
  'external-spinning': 'Outside, spinning disk',
  'memory-card': 'Memory card',
  network: 'Network',
  cloud: 'Still in the cloud',
};

export const knownStateTexts: Readonly<Record<KnownState, string>> = {
  yes: 'Yes',
  no: 'No',
  unknown: 'Don’t know',
};
