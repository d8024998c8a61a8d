import { type DriveKind, speedClasses } from '../../machine/catalogue';
import type { MachinePart } from '../../machine/compare-parts';
import type { Fact } from '../../machine/facts';
import type { ReadDrive } from '../../machine/read-machine';
import type { MachineTest } from '../../machine-test';
import { slowsUnderLoad } from '../../machine-test';
import { fail, succeed } from '../../result';
import type { KnownMachine } from '../defaults';
import type { CardDrive, CardMachine, JobCard, Lesson, PlaceId } from '../types';
import type { CommandHandler } from './types';

/** Sets facts of the machine, each with its source. */
export const setMachine: CommandHandler<{ readonly facts: Partial<CardMachine> }> = (card, { facts }) =>
  succeed({ ...card, machine: { ...card.machine, ...facts } });

/** What a person said, or a file of theirs, is not written over by what is found out. */
const isFree = ({ source }: Fact<unknown>): boolean => source !== 'typed' && source !== 'imported';

/** Fills in what was found out by itself; what a person typed or imported stays. */
export const fillMachine: CommandHandler<{ readonly facts: Partial<CardMachine> }> = (card, { facts }) => {
  const isNew = ([key, fact]: [string, CardMachine[keyof CardMachine]]): boolean => {
    const known = card.machine[key as keyof CardMachine];
    return isFree(known) && (known.value !== fact.value || known.source !== fact.source);
  };
  const free = Object.fromEntries(Object.entries(facts).filter(isNew));
  // Looking at the machine again finds the same things, and is no change of the card.
  if (Object.keys(free).length === 0) return succeed(card);
  return succeed({ ...card, machine: { ...card.machine, ...free } });
};

/** The class whose speed is nearest, as a ratio. */
const nearestClass = (coreSpeedRatio: number): (typeof speedClasses)[number]['id'] =>
  speedClasses.reduce((best, row) =>
    Math.abs(Math.log(row.coreSpeedRatio / coreSpeedRatio)) < Math.abs(Math.log(best.coreSpeedRatio / coreSpeedRatio))
      ? row
      : best,
  ).id;

/** Puts a measurement of the machine on the card, or takes it away. What follows from it is measured, where nobody typed it. */
export const setMachineTest: CommandHandler<{ readonly test: MachineTest | null }> = (card, { test }) => {
  if (!test) return succeed({ ...card, machineTest: null });
  const { machine } = card;
  const measured = <T>(value: T): Fact<T> => ({ value, source: 'measured' });
  return succeed({
    ...card,
    machineTest: test,
    machine: {
      ...machine,
      ...(test.coreSpeedRatio !== null &&
        isFree(machine.speedClass) && { speedClass: measured(nearestClass(test.coreSpeedRatio)) }),
      ...(slowsUnderLoad(test) && isFree(machine.isThin) && { isThin: measured('yes' as const) }),
    },
  });
};

/** Facts that follow from the drives and from what a person said lies on them; what was typed of the system's drive stays. */
const driveFacts = (machine: CardMachine, drives: readonly CardDrive[]): Partial<CardMachine> => {
  const kindAt = (place: PlaceId): DriveKind | null => drives.find(({ holds }) => holds.includes(place))?.kind ?? null;
  const [footage, cache] = [kindAt('footage'), kindAt('cache')];
  const system = drives.find(({ holds }) => holds.includes('system'));
  return {
    ...(footage && { footageDrive: { value: footage, source: 'typed' } }),
    ...(cache && { cacheDrive: { value: cache, source: 'typed' } }),
    ...(isFree(machine.systemDriveFreePercent) &&
      system?.sizeGb &&
      system.freeGb !== null && {
        systemDriveFreePercent: {
          value: Math.min(100, Math.round((1000 * system.freeGb) / system.sizeGb) / 10),
          source: 'read',
        },
      }),
  };
};

const withDrives = (card: JobCard, drives: readonly CardDrive[]): JobCard => ({
  ...card,
  drives,
  machine: { ...card.machine, ...driveFacts(card.machine, drives) },
});

/** Takes the drives that were read; what the person said lies on one stays with it. A drive that is gone goes. */
export const takeDrives: CommandHandler<{ readonly drives: readonly ReadDrive[] }> = (card, { drives }) => {
  const taken = drives.slice(0, 60).map(({ label, kind, sizeGb, freeGb, isSystem }): CardDrive => {
    const known = card.drives.find((drive) => drive.label === label);
    const holds = known?.holds ?? [];
    return {
      id: known?.id ?? `drive:${label}`.slice(0, 80),
      label: label.slice(0, 60),
      // What somebody said of a drive is better than what the system does not say.
      kind: kind ?? known?.kind ?? null,
      sizeGb,
      freeGb,
      holds: isSystem && !holds.includes('system') ? ['system', ...holds] : holds,
    };
  });
  return succeed(withDrives(card, taken));
};

/** Adds a drive that nobody read, or changes one. */
export const setDrive: CommandHandler<{ readonly drive: CardDrive }> = (card, { drive }) => {
  const isKnown = card.drives.some(({ id }) => id === drive.id);
  const drives = isKnown ? card.drives.map((old) => (old.id === drive.id ? drive : old)) : [...card.drives, drive];
  return succeed(withDrives(card, drives));
};

/** Takes a drive off the card. */
export const removeDrive: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  const drives = card.drives.filter((drive) => drive.id !== id);
  if (drives.length === card.drives.length) return fail({ code: 'item-missing', item: 'drive', id });
  return succeed({ ...card, drives });
};

/** Says on which drive something lies, or that nobody knows (null). One thing lies on a single drive. */
export const placeOnDrive: CommandHandler<{ readonly place: PlaceId; readonly driveId: string | null }> = (
  card,
  { place, driveId },
) => {
  if (driveId !== null && !card.drives.some(({ id }) => id === driveId))
    return fail({ code: 'item-missing', item: 'drive', id: driveId });
  const drives = card.drives.map((drive) => {
    const others = drive.holds.filter((held) => held !== place);
    return { ...drive, holds: drive.id === driveId ? [...others, place] : others };
  });
  return succeed(withDrives(card, drives));
};

/** Names the machine. */
export const nameMachine: CommandHandler<{ readonly id: string; readonly name: string }> = (card, { id, name }) =>
  succeed({ ...card, machineProfile: { id, name: name.trim() } });

/** Takes a machine over as another card has it: its facts, drives and measurement, and what was learned of it. */
export const takeMachine: CommandHandler<{ readonly known: KnownMachine; readonly lessons: readonly Lesson[] }> = (
  card,
  { known, lessons },
) => succeed({ ...card, ...known, lessons });

/** States how much one of the editor's caches holds, or may hold. */
export const setCache: CommandHandler<{
  readonly which: 'cache' | 'clipCache';
  readonly patch: Partial<JobCard['cache']>;
}> = (card, { which, patch }) => succeed({ ...card, [which]: { ...card[which], ...patch } });

/** The facts that hang on a part. */
const factsOfPart: Readonly<Record<MachinePart, readonly (keyof CardMachine)[]>> = {
  processor: ['coreCount', 'speedClass', 'isThin'],
  memory: ['memoryMib'],
  graphics: ['graphics', 'graphicsYear', 'graphicsMemoryMib', 'hasSecondGraphics'],
  drives: ['footageDrive', 'cacheDrive', 'systemDriveFreePercent'],
};

/**
 * Says that parts of the machine are others now: what was found out of them is a guess again, and what was measured with them goes.
 * What a person typed stays, because only they can know whether it still holds.
 */
export const changeParts: CommandHandler<{ readonly parts: readonly MachinePart[] }> = (card, { parts }) => {
  if (parts.length === 0) return succeed(card);
  const hasNew = (part: MachinePart): boolean => parts.includes(part);
  const guessed = Object.fromEntries(
    parts
      .flatMap((part) => factsOfPart[part])
      .filter((key) => isFree(card.machine[key]))
      .map((key) => [key, { ...card.machine[key], source: 'assumed' }]),
  );
  const { machineTest } = card;
  return succeed({
    ...card,
    lessons: card.lessons.filter(({ of }) => !of.some((part) => part !== 'editor' && hasNew(part))),
    machine: { ...card.machine, ...guessed },
    drives: hasNew('drives') ? [] : card.drives,
    machineTest:
      machineTest && !hasNew('processor')
        ? {
            ...machineTest,
            ...(hasNew('graphics') && { graphicsRatio: null, hardwareMegapixelPerSec: null }),
            ...(hasNew('drives') && { storage: null }),
          }
        : null,
    decodeTests: hasNew('processor')
      ? []
      : card.decodeTests
          .map((test) => ({
            ...test,
            ...(hasNew('graphics') && { runs: test.runs.filter(({ way }) => way === 'software') }),
            ...(hasNew('drives') && { fileRead: null, scrub: null }),
          }))
          .filter(({ runs, fileRead }) => runs.length > 0 || fileRead !== null),
  });
};

/** Puts the machine as it was, for an undo. */
export const restoreMachine: CommandHandler<
  Pick<JobCard, 'machine' | 'drives' | 'machineTest' | 'decodeTests' | 'lessons'>
> = (card, { machine, drives, machineTest, decodeTests, lessons }) =>
  succeed({ ...card, machine, drives, machineTest, decodeTests, lessons });

/** States what is known from earlier cards: one is dropped, or put back. */
export const setLessons: CommandHandler<{ readonly lessons: readonly Lesson[] }> = (card, { lessons }) =>
  succeed({ ...card, lessons });
