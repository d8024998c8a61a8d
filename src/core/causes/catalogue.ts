import type { SetupState } from '../load/types';
import {
  buildingPreviews,
  panelReadsOriginals,
  previewOverdone,
  projectMismatch,
  proxiesNotShown,
} from './definitions/editor';
import {
  graphicsDrawingOff,
  graphicsDrawingUnreliable,
  graphicsMemoryShort,
  hardwareDecodeOff,
  hardwareDecodeUnreliable,
  wrongGraphics,
} from './definitions/graphics';
import {
  cacheMisplaced,
  driveSlow,
  memoryShort,
  nothingExplainsIt,
  powerOrHeat,
  programsBusy,
  softwareStale,
  systemDriveFull,
} from './definitions/machine';
import type { CauseDefinition } from './types';

/** Every cause. Adding one is adding a definition and a line here, and its text in messages/causes. */
const definitions = [
  programsBusy,
  powerOrHeat,
  memoryShort,
  driveSlow,
  systemDriveFull,
  cacheMisplaced,
  softwareStale,
  hardwareDecodeOff,
  hardwareDecodeUnreliable,
  graphicsDrawingOff,
  graphicsDrawingUnreliable,
  graphicsMemoryShort,
  wrongGraphics,
  buildingPreviews,
  proxiesNotShown,
  panelReadsOriginals,
  projectMismatch,
  previewOverdone,
  // No switch: the film itself.
  { kind: 'load', id: 'decode-heavy', term: 'decode' },
  { kind: 'load', id: 'effects-heavy', term: 'effects' },
  { kind: 'load', id: 'layers-heavy', term: 'layers' },
  { kind: 'load', id: 'preview-too-large', term: 'size' },
  nothingExplainsIt,
] as const satisfies readonly CauseDefinition[];

export type CauseId = (typeof definitions)[number]['id'];

export const causeCatalogue: readonly CauseDefinition<CauseId>[] = definitions;
export const causeIds: readonly CauseId[] = definitions.map(({ id }) => id);

/** What is left of a slow opening once all else is right belongs to it: the pictures made of every clip. */
export const openingCauseId: CauseId = buildingPreviews.id;

/** What is left where no term of the load would close it is the reading of files: it belongs to getting pictures out of them. */
export const fetchingCauseId: CauseId = 'decode-heavy';

/** Whether a cause stands for what no entry explains. */
export const isOpenEnd = (id: CauseId): boolean => id === nothingExplainsIt.id;

export type ConfigurationCause = Extract<CauseDefinition<CauseId>, { kind: 'configuration' }>;
export type LoadCause = Extract<CauseDefinition<CauseId>, { kind: 'load' }>;

export const configurationCauses: readonly ConfigurationCause[] = causeCatalogue.filter(
  (cause) => cause.kind === 'configuration',
);

/** What a state was like before any cause came that can come: a film like this one, with the same editor and machine. */
export const beforeCauses = (state: SetupState): SetupState =>
  configurationCauses.reduce(
    (current, cause) => (cause.isPresent(current) ? (cause.asBefore ?? cause.repair)(current) : current),
    state,
  );

/** A state in which what nobody knows is as it is where no cause is hidden. */
export const withoutHiddenCauses = (state: SetupState): SetupState =>
  configurationCauses.reduce((current, { supposeNone }) => supposeNone?.(current) ?? current, state);

export const loadCauses: readonly LoadCause[] = causeCatalogue.filter((cause) => cause.kind === 'load');
