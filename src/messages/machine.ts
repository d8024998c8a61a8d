import type { CardDrive, JobCard, PlaceId } from '@/core/card';
import type { MachineTier, UpgradeId } from '@/core/diagnose';
import {
  type AskedPictureId,
  type DriveKind,
  type FactSource,
  type GraphicsKind,
  isDriveSlow,
  type KnownState,
  type MachinePart,
  type PartChange,
  type PartKey,
  type PowerMode,
  type ProgramPercent,
  percentOfCores,
  type SpeedClass,
} from '@/core/machine';
import type { MachineProgress, MachineTestFailure, StorageRates } from '@/core/machine-test';
import { formatCount, formatGigabytes, formatMemory, formatRate } from './format';

/** Where a fact comes from, as a small label. */
export const factSourceTexts: Readonly<Record<FactSource, { readonly label: string; readonly what: string }>> = {
  measured: { label: 'measured', what: 'Measured on this computer.' },
  read: {
    label: 'read here',
    what: 'Stated by this computer or this browser. Change it if it is another one that lags.',
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

/** What is measured right now. */
export const machinePhaseTexts: Readonly<Record<MachineProgress['phase'], string>> = {
  loading: 'Fetching the sample clip',
  kernel: 'One core counting',
  single: 'One core decoding',
  together: 'All cores decoding',
  alone: 'One decoder on all cores',
  hardware: 'Decoding on the graphics',
  drawing: 'Drawing on the graphics',
  storage: 'Writing and reading this browser’s own storage',
};

/** Why nothing was measured. */
export const describeMachineTestFailure = (failure: MachineTestFailure): string =>
  failure.code === 'machine-test-stopped'
    ? 'Stopped before the end; nothing was kept of it.'
    : `It could not be measured here (${failure.detail}). The class below counts instead; a test-play of a clip measures too.`;

/** What may lie on a drive. */
export const placeTexts: Readonly<Record<PlaceId, string>> = {
  system: 'The system',
  editor: 'The editor',
  'project-file': 'The project file',
  footage: 'The footage',
  recordings: 'Recordings and temporary files',
  cache: 'The cache of computed pictures',
  'clip-cache': 'The cache of sound and small pictures',
  proxies: 'Proxies',
  exports: 'Exports',
};

export const upgradeTexts: Readonly<Record<UpgradeId, string>> = {
  drive: 'A solid-state drive for footage and cache',
  memory: 'Twice the memory',
  graphics: 'Separate graphics of today',
  processor: 'A quick processor of today',
};

/** "6 cores of usual speed, 16 GB, shared graphics". */
export const describeTier = ({ coreCount, coreSpeedRatio, memoryMib, graphics }: MachineTier): string =>
  `${formatCount(coreCount, 'core')}, ${describeSpeed(coreSpeedRatio)}; ${formatMemory(memoryMib)}; ${graphics} graphics`;

const describeSpeed = (ratio: number): string =>
  ratio >= 2 ? 'the quickest of today' : ratio >= 1.5 ? 'quick' : ratio >= 1.1 ? 'of usual speed' : 'of modest speed';

/** A cache of the editor: where it lies, and what it is called. */
const caches = [
  { of: 'cache', name: placeTexts.cache },
  { of: 'clip-cache', name: placeTexts['clip-cache'] },
] as const;

/** What lies together on a single drive and gets into each other's way; null where nothing does. */
export function describeDriveWarning(drives: readonly CardDrive[]): string | null {
  const together = drives.find(({ holds }) => holds.includes('system') && caches.some(({ of }) => holds.includes(of)));
  if (together)
    return `A cache lies on the system’s own drive (${together.label}): both wait for each other when it fills.`;
  const mixed = drives.find(
    ({ holds, kind }) => holds.includes('cache') && holds.includes('footage') && kind !== null && isDriveSlow(kind),
  );
  return mixed
    ? `Footage and cache lie on one slow drive (${mixed.label}): it reads for one while the other waits.`
    : null;
}

/** Kinds of pictures that a browser is asked about, as the trade writes them. */
export const askedPictureTexts: Readonly<Record<AskedPictureId, string>> = {
  h264: 'H.264, 8 bit',
  'h264-10bit': 'H.264, 10 bit',
  hevc: 'HEVC, 8 bit',
  'hevc-10bit': 'HEVC, 10 bit',
  vp9: 'VP9, 8 bit',
  'vp9-10bit': 'VP9, 10 bit',
  av1: 'AV1',
};

/** A cache this near to its limit throws away what it will want again. */
const fullCacheRatio = 0.9;

/** What is wrong with the room of the editor's caches; empty where nothing is, or too little is known. */
export function describeCacheWarnings(card: Pick<JobCard, 'cache' | 'clipCache' | 'drives'>): readonly string[] {
  return caches.flatMap(({ of, name }) => {
    const { usedGb, limitGb } = of === 'cache' ? card.cache : card.clipCache;
    const drive = card.drives.find(({ holds }) => holds.includes(of));
    const freeGb = drive?.freeGb ?? null;
    if (limitGb !== null && freeGb !== null && drive && limitGb - (usedGb ?? 0) > freeGb)
      return [
        `${name} may grow by ${formatGigabytes(limitGb - (usedGb ?? 0))}, and ${drive.label} has ${formatGigabytes(freeGb)} left: lower its limit, or clear it, before the drive is full.`,
      ];
    if (limitGb !== null && usedGb !== null && limitGb > 0 && usedGb >= fullCacheRatio * limitGb)
      return [
        `${name} is ${Math.round((100 * usedGb) / limitGb)} % full: it throws away what it will want again. Raise its limit where there is room, or clear it.`,
      ];
    return [];
  });
}

/** What a browser's storage gives back; what was just written mostly lies in memory still. */
export const describeStorage = ({ readMegabytePerSec }: StorageRates): string =>
  `gives back ${Math.round(readMegabytePerSec)} or less: perhaps out of memory`;

/** Parts of a machine that can be changed for others. */
export const machinePartTexts: Readonly<Record<MachinePart, { readonly label: string; readonly what: string }>> = {
  processor: { label: 'The processor, or the whole board', what: 'everything that was measured goes' },
  memory: { label: 'Memory', what: 'its size is asked again' },
  graphics: { label: 'The graphics', what: 'what was measured of decoding and drawing on them goes' },
  drives: { label: 'A drive', what: 'what was read of drives goes' },
};

/** A part in words: "8 GB", "shared graphics", "4". */
function describePart(key: PartKey, value: PartChange['now']): string {
  if (typeof value === 'number') return key === 'coreCount' ? formatCount(value, 'core') : formatMemory(value);
  if (value === 'yes' || value === 'no' || value === 'unknown') return knownStateTexts[value].toLowerCase();
  return graphicsTexts[value].label.toLowerCase();
}

/** "Memory: 8 GB was typed, 16 GB was read." */
export const describePartChange = ({ key, before, now }: PartChange): string =>
  `${machineFactNames[key]}: ${describePart(key, before.value)} was ${before.source === 'typed' ? 'typed' : 'known'}, ${describePart(key, now)} was read.`;
