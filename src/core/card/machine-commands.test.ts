import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import type { MachineTest } from '../machine-test';
import { type ProcessRow, roleOf } from '../programs';
import {
  applyCommand,
  type CardCommand,
  createJobCard,
  createProgram,
  createReading,
  deriveBaseState,
  type JobCard,
  knownMachineOf,
  parseCard,
  recorderAt,
  serializeCard,
  smallProgramsId,
  splitMemory,
} from '.';

const demoCards = await loadDemoCards();
const loadDecodeBound = (): JobCard => {
  const card = demoCards.find(({ id }) => id === 'demo-decode-bound');
  if (!card) throw new Error('no demo card');
  return card;
};

const empty = createJobCard({ id: 'c', title: 'c', nowMs: 0 });
const run = (card: JobCard, ...commands: readonly CardCommand[]): JobCard =>
  commands.reduce((current, command) => {
    const done = applyCommand(current, command, 1);
    if (!done.ok) throw new Error(JSON.stringify(done.failure));
    return done.value;
  }, card);

const test: MachineTest = {
  takenAtMs: 3,
  coreSpeedRatio: 1.3,
  decodeThreadCount: 3,
  graphicsRatio: 9,
  hardwareMegapixelPerSec: null,
  storage: { writtenMegabytePerSec: 200, readMegabytePerSec: 900 },
  kernelRatio: 1.2,
  spreadRatio: 0.02,
  endedAtRatio: 0.99,
};
const drive = (label: string, isSystem = false) => ({
  label,
  kind: 'internal-solid-state' as const,
  sizeGb: 500,
  freeGb: 50,
  isSystem,
});

describe('the machine on a card', () => {
  it('is measured: what follows replaces a guess, not what was typed', () => {
    const measured = run(empty, { type: 'setMachineTest', input: { test } });
    expect(measured.machine.speedClass).toEqual({ value: 'usual', source: 'measured' });
    expect(deriveBaseState(measured).setup.machine).toMatchObject({
      coreSpeedRatio: 1.3,
      speedFrom: 'measured',
      powerRatio: 1,
      decodeThreadCount: 3,
      graphicsRatio: 9,
    });
    const typed = run(
      empty,
      { type: 'setMachine', input: { facts: { speedClass: { value: 'slow', source: 'typed' } } } },
      { type: 'setMachineTest', input: { test } },
    );
    expect(typed.machine.speedClass).toEqual({ value: 'slow', source: 'typed' });
    expect(run(measured, { type: 'setMachineTest', input: { test: null } }).machineTest).toBeNull();
  });

  it('gets hot where it slows while it is measured', () => {
    const hot = run(empty, { type: 'setMachineTest', input: { test: { ...test, endedAtRatio: 0.7 } } });
    expect(hot.machine.isThin).toEqual({ value: 'yes', source: 'measured' });
  });

  it('keeps what lies on a drive when drives are read again, and lets one thing lie on a single drive', () => {
    const two = run(
      empty,
      { type: 'takeDrives', input: { drives: [drive('C:', true), drive('D:')] } },
      { type: 'placeOnDrive', input: { place: 'cache', driveId: 'drive:C:' } },
      { type: 'placeOnDrive', input: { place: 'cache', driveId: 'drive:D:' } },
    );
    expect(two.drives.map(({ holds }) => holds)).toEqual([['system'], ['cache']]);
    expect(two.machine.cacheDrive).toEqual({ value: 'internal-solid-state', source: 'typed' });
    expect(two.machine.systemDriveFreePercent).toEqual({ value: 10, source: 'read' });
    const typed = run(
      empty,
      { type: 'setMachine', input: { facts: { systemDriveFreePercent: { value: 40, source: 'typed' } } } },
      { type: 'takeDrives', input: { drives: [drive('C:', true)] } },
    );
    expect(typed.machine.systemDriveFreePercent).toEqual({ value: 40, source: 'typed' });
    const again = run(two, { type: 'takeDrives', input: { drives: [drive('C:', true), drive('D:')] } });
    expect(again.drives).toEqual(two.drives);
    const away = run(again, { type: 'removeDrive', input: { id: 'drive:D:' } });
    expect(away.drives.map(({ label }) => label)).toEqual(['C:']);
    expect(applyCommand(away, { type: 'placeOnDrive', input: { place: 'cache', driveId: 'gone' } }, 1)).toMatchObject({
      ok: false,
      failure: { code: 'item-missing', item: 'drive' },
    });
  });

  it('goes on to the next card with its name, and each card keeps its own copy', () => {
    const first = run(
      empty,
      { type: 'nameMachine', input: { id: 'm', name: ' the old laptop ' } },
      { type: 'setMachineTest', input: { test } },
    );
    const next = createJobCard({ id: 'd', title: 'd', nowMs: 5, machine: knownMachineOf(first) });
    expect(next.machineProfile).toEqual({ id: 'm', name: 'the old laptop' });
    expect(next.machineTest).toEqual(test);
    const back = run(first, { type: 'takeMachine', input: { known: knownMachineOf(empty) } });
    expect(knownMachineOf(back)).toEqual(knownMachineOf(empty));
  });
});

describe('new parts', () => {
  const stream = {
    codec: 'h264',
    bitDepth: 8,
    chroma: '4:2:0',
    widthPx: 1920,
    heightPx: 1080,
    frameRateFps: 25,
    megabitsPerFrame: 1,
  } as const;
  const played = (way: 'software' | 'hardware') =>
    ({
      way,
      isOneByOne: false,
      drawnHeightPx: null,
      frameCount: 90,
      elapsedMs: 1000,
      decodedFps: 90,
      droppedCount: 0,
    }) as const;
  const known = run(
    {
      ...empty,
      decodeTests: [
        {
          id: 'p',
          clipId: 'x',
          fileName: 'x.mp4',
          takenAtMs: 2,
          stream,
          runs: [played('software'), played('hardware')],
          scrub: null,
          fileRead: { megabytePerSec: 90, isAtLeast: false, smallPieceMs: 11 },
          estimatedFps: 80,
          estimatedScrubMs: 90,
        },
      ],
    },
    { type: 'fillMachine', input: { facts: { memoryMib: { value: 16_384, source: 'read' } } } },
    { type: 'setMachine', input: { facts: { graphics: { value: 'separate', source: 'typed' } } } },
    { type: 'takeDrives', input: { drives: [drive('C:', true)] } },
    { type: 'setMachineTest', input: { test } },
  );

  it('of memory and graphics: their size is a guess again, what was typed stays, cores stay measured', () => {
    const changed = run(known, { type: 'changeParts', input: { parts: ['memory', 'graphics'] } });
    expect(changed.machine.memoryMib).toEqual({ value: 16_384, source: 'assumed' });
    expect(changed.machine.graphics).toEqual({ value: 'separate', source: 'typed' });
    expect(changed.machineTest).toEqual({ ...test, graphicsRatio: null });
    expect(changed.decodeTests.map(({ runs }) => runs.map(({ way }) => way))).toEqual([['software']]);
    expect(changed.drives).toEqual(known.drives);
  });

  it('of a drive: what was read of drives goes, and nothing of the cores', () => {
    const changed = run(known, { type: 'changeParts', input: { parts: ['drives'] } });
    expect(changed.drives).toEqual([]);
    expect(changed.machineTest).toEqual({ ...test, storage: null });
    expect(changed.decodeTests.map(({ fileRead, runs }) => [fileRead, runs.length])).toEqual([[null, 2]]);
  });

  it('of the processor: all that was measured goes, and an undo brings it back', () => {
    const changed = run(known, { type: 'changeParts', input: { parts: ['processor'] } });
    expect([changed.machineTest, changed.decodeTests]).toEqual([null, []]);
    const { machine, drives, machineTest, decodeTests } = known;
    const back = run(changed, { type: 'restoreMachine', input: { machine, drives, machineTest, decodeTests } });
    expect(back).toEqual({ ...known, updatedAtMs: back.updatedAtMs });
    expect(run(known, { type: 'changeParts', input: { parts: [] } })).toBe(known);
  });

  it('counts what a small piece waited for the drive, where it was told', () => {
    const withClip = loadDecodeBound();
    const clipId = withClip.clips[0]?.id ?? '';
    const [shown] = known.decodeTests;
    if (!shown) throw new Error('no test');
    const tested = { ...withClip, decodeTests: [{ ...shown, clipId }] };
    const driveOf = (card: JobCard) =>
      deriveBaseState(card).setup.clips.find(({ id }) => id === clipId)?.original.drive;
    expect(driveOf(tested)).toEqual({ readMegabytePerSec: 90, latencyMs: 11 });
    expect(driveOf(withClip)?.latencyMs).not.toBe(11);
  });
});

describe('a recorder of the screen', () => {
  const look = (name: string) => ({
    type: 'takePrograms' as const,
    input: {
      rows: [{ processId: 5, parentId: 1, name, role: roleOf(name), busyCores: 0.5, memoryMib: 300 }],
      seen: { source: 'read' as const, coversSec: 10, memoryFreeMib: 900, takenAtMs: 1000 },
      roles: [],
    },
  });
  const readAt = (takenAtMs: number): CardCommand => ({
    type: 'addReading',
    input: { reading: createReading({ id: `r${takenAtMs}`, takenAtMs, shownFps: 12 }) },
  });

  it('stands on every reading that was taken while it ran, and on none long after the look', () => {
    const card = run(empty, look('Lamplight screen recorder'), readAt(60_000), readAt(3_600_000));
    expect(card.readings.map(({ recorderName }) => recorderName)).toEqual(['Lamplight screen recorder', '']);
    expect(run(empty, look('Owl notes'), readAt(60_000)).readings.map(({ recorderName }) => recorderName)).toEqual([
      '',
    ]);
    expect(recorderAt(empty, 0)).toBeNull();
  });
});

const rows: readonly ProcessRow[] = [
  { processId: 4, parentId: 0, name: 'svchost', role: 'system', busyCores: 0.05, memoryMib: 400 },
  { processId: 10, parentId: 4, name: 'Loft sync', role: 'sync', busyCores: 1.2, memoryMib: 600 },
  { processId: 11, parentId: 10, name: 'Loft sync helper', role: 'sync', busyCores: 0.3, memoryMib: 100 },
  { processId: 20, parentId: 4, name: 'Cutting Table', role: 'unknown', busyCores: 0.4, memoryMib: 2000 },
  { processId: 30, parentId: 4, name: 'Owl', role: 'unknown', busyCores: 0.001, memoryMib: 9 },
];
const seen = { takenAtMs: 7, source: 'read', coversSec: 12, memoryFreeMib: 3000 } as const;
const taken = run(empty, { type: 'takePrograms', input: { rows, seen, roles: [] } });
const idOf = (card: JobCard, name: string): string => card.programs.find((program) => program.name === name)?.id ?? '';

describe('programs on a card', () => {
  it('come from a list: grouped, chosen only where that is safe and brings something, small ones together', () => {
    expect(taken.programs.map(({ name, canClose, processCount }) => [name, canClose, processCount])).toEqual([
      ['Loft sync', 'yes', 2],
      ['Cutting Table', 'unknown', 1],
      ['svchost', 'no', 1],
      ['small ones together', 'no', 1],
    ]);
    const parsed = parseCard(JSON.parse(serializeCard(taken)));
    expect(parsed.ok && parsed.value).toEqual(taken);
  });

  it('are not charged where they are the editor, and the system’s memory is not charged twice', () => {
    const mine = run(taken, {
      type: 'updateProgram',
      input: { id: idOf(taken, 'Cutting Table'), patch: { role: 'editor', canClose: 'no' } },
    });
    const { programs } = deriveBaseState(mine).setup;
    expect(programs.map(({ id }) => id)).not.toContain(idOf(taken, 'Cutting Table'));
    expect(programs.find(({ id }) => id === idOf(taken, 'svchost'))?.memoryMib).toBe(0);
    expect(splitMemory(mine)).toMatchObject({ editor: 2000, others: 709, left: 3000, system: 8192 - 3000 - 2709 });
    expect(splitMemory(empty)).toBeNull();
  });

  it('keep what was said of them on the next list, and typed ones that are not on it', () => {
    const said = run(
      taken,
      { type: 'updateProgram', input: { id: idOf(taken, 'Cutting Table'), patch: { role: 'editor', canClose: 'no' } } },
      { type: 'updateProgram', input: { id: idOf(taken, 'Loft sync'), patch: { canClose: 'no' } } },
      { type: 'addProgram', input: { program: createProgram('t', { name: 'By hand', busyCores: 0.2 }) } },
      { type: 'takePrograms', input: { rows, seen, roles: [] } },
    );
    const of = (name: string) => said.programs.find((program) => program.name === name);
    expect([of('Cutting Table')?.role, of('Loft sync')?.canClose, of('By hand')?.source]).toEqual([
      'editor',
      'no',
      'typed',
    ]);
    expect(said.programs.filter(({ id }) => id === smallProgramsId).length).toBe(1);
    // What was said on another card counts as well.
    const other = run(empty, { type: 'takePrograms', input: { rows, seen, roles: [['owl', 'chat']] } });
    expect(other.programs.find(({ name }) => name === 'Cutting Table')?.role).toBe('unknown');
  });

  it('are held against a second list, and count as closed only where they are gone', () => {
    const gone = run(taken, {
      type: 'checkPrograms',
      input: { rows: rows.filter(({ name }) => !name.startsWith('Loft')), takenAtMs: 9 },
    });
    expect(gone.programs.find(({ name }) => name === 'Loft sync')?.outcome).toBe('gone');
    expect(gone.programsCheck).toMatchObject({ freedCores: 1.5, freedMib: 700 });
    const back = run(taken, {
      type: 'checkPrograms',
      input: { rows: rows.map((row) => ({ ...row, processId: row.processId + 100, parentId: null })), takenAtMs: 9 },
    });
    expect(back.programs.find(({ name }) => name === 'Loft sync')?.outcome).toBe('back');
    const closable = (card: JobCard) =>
      deriveBaseState(card)
        .setup.programs.filter(({ canClose }) => canClose === 'yes')
        .map(({ id }) => id);
    expect(closable(gone)).toEqual([idOf(taken, 'Loft sync')]);
    expect(closable(back)).toEqual([]);
    const undone = run(back, {
      type: 'restorePrograms',
      input: { programs: taken.programs, programsSeen: taken.programsSeen, programsCheck: null },
    });
    expect(undone.programs).toEqual(taken.programs);
  });
});
