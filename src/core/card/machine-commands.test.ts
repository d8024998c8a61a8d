import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { applyAll } from '../../../tests/stand-ins/commands';
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
  type Lesson,
  listChosen,
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
    const measured = applyAll(empty, { type: 'setMachineTest', input: { test } });
    expect(measured.machine.speedClass).toEqual({ value: 'usual', source: 'measured' });
    expect(deriveBaseState(measured).setup.machine).toMatchObject({
      coreSpeedRatio: 1.3,
      speedFrom: 'measured',
      powerRatio: 1,
      decodeThreadCount: 3,
      graphicsRatio: 9,
    });
    const typed = applyAll(
      empty,
      { type: 'setMachine', input: { facts: { speedClass: { value: 'slow', source: 'typed' } } } },
      { type: 'setMachineTest', input: { test } },
    );
    expect(typed.machine.speedClass).toEqual({ value: 'slow', source: 'typed' });
    expect(applyAll(measured, { type: 'setMachineTest', input: { test: null } }).machineTest).toBeNull();
  });

  it('gets hot where it slows while it is measured', () => {
    const hot = applyAll(empty, { type: 'setMachineTest', input: { test: { ...test, endedAtRatio: 0.7 } } });
    expect(hot.machine.isThin).toEqual({ value: 'yes', source: 'measured' });
  });

  it('keeps what lies on a drive when drives are read again, and lets one thing lie on a single drive', () => {
    const two = applyAll(
      empty,
      { type: 'takeDrives', input: { drives: [drive('C:', true), drive('D:')] } },
      { type: 'placeOnDrive', input: { place: 'cache', driveId: 'drive:C:' } },
      { type: 'placeOnDrive', input: { place: 'cache', driveId: 'drive:D:' } },
    );
    expect(two.drives.map(({ holds }) => holds)).toEqual([['system'], ['cache']]);
    expect(two.machine.cacheDrive).toEqual({ value: 'internal-solid-state', source: 'typed' });
    expect(two.machine.systemDriveFreePercent).toEqual({ value: 10, source: 'read' });
    const typed = applyAll(
      empty,
      { type: 'setMachine', input: { facts: { systemDriveFreePercent: { value: 40, source: 'typed' } } } },
      { type: 'takeDrives', input: { drives: [drive('C:', true)] } },
    );
    expect(typed.machine.systemDriveFreePercent).toEqual({ value: 40, source: 'typed' });
    const again = applyAll(two, { type: 'takeDrives', input: { drives: [drive('C:', true), drive('D:')] } });
    expect(again.drives).toEqual(two.drives);
    const away = applyAll(again, { type: 'removeDrive', input: { id: 'drive:D:' } });
    expect(away.drives.map(({ label }) => label)).toEqual(['C:']);
    expect(applyCommand(away, { type: 'placeOnDrive', input: { place: 'cache', driveId: 'gone' } }, 1)).toMatchObject({
      ok: false,
      failure: { code: 'item-missing', item: 'drive' },
    });
  });

  it('goes on to the next card with its name, and each card keeps its own copy', () => {
    const first = applyAll(
      empty,
      { type: 'nameMachine', input: { id: 'm', name: ' the old laptop ' } },
      { type: 'setMachineTest', input: { test } },
    );
    const next = createJobCard({ id: 'd', title: 'd', nowMs: 5, machine: knownMachineOf(first) });
    expect(next.machineProfile).toEqual({ id: 'm', name: 'the old laptop' });
    expect(next.machineTest).toEqual(test);
    const back = applyAll(first, { type: 'takeMachine', input: { known: knownMachineOf(empty), lessons: [] } });
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
    sizeEvenness: null,
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
  const known = applyAll(
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
    const changed = applyAll(known, { type: 'changeParts', input: { parts: ['memory', 'graphics'] } });
    expect(changed.machine.memoryMib).toEqual({ value: 16_384, source: 'assumed' });
    expect(changed.machine.graphics).toEqual({ value: 'separate', source: 'typed' });
    expect(changed.machineTest).toEqual({ ...test, graphicsRatio: null });
    expect(changed.decodeTests.map(({ runs }) => runs.map(({ way }) => way))).toEqual([['software']]);
    expect(changed.drives).toEqual(known.drives);
  });

  it('of a drive: what was read of drives goes, and nothing of the cores', () => {
    const changed = applyAll(known, { type: 'changeParts', input: { parts: ['drives'] } });
    expect(changed.drives).toEqual([]);
    expect(changed.machineTest).toEqual({ ...test, storage: null });
    expect(changed.decodeTests.map(({ fileRead, runs }) => [fileRead, runs.length])).toEqual([[null, 2]]);
  });

  it('of the processor: all that was measured goes, and an undo brings it back', () => {
    const changed = applyAll(known, { type: 'changeParts', input: { parts: ['processor'] } });
    expect([changed.machineTest, changed.decodeTests]).toEqual([null, []]);
    const { machine, drives, machineTest, decodeTests, lessons } = known;
    const before = { machine, drives, machineTest, decodeTests, lessons };
    const back = applyAll(changed, { type: 'restoreMachine', input: before });
    expect(back).toEqual({ ...known, updatedAtMs: back.updatedAtMs });
    expect(applyAll(known, { type: 'changeParts', input: { parts: [] } })).toBe(known);
  });

  it('takes what was learned of the old part along, and of nothing else; another editor takes its own', () => {
    const of = (id: string, ...parts: Lesson['of']): Lesson => ({
      id,
      of: parts,
      from: 'Before',
      about: '',
      edges: [0.5],
      before: [0.9, 0.1],
      after: [0.2, 0.8],
    });
    const [rate, drive, thread] = [
      of('decode-rate', 'processor', 'editor'),
      of('drive-rate', 'drives'),
      of('one-decode-thread', 'editor'),
    ];
    const taught = applyAll(known, { type: 'setLessons', input: { lessons: [rate, drive, thread] } });
    const idsOf = (card: typeof known) => card.lessons.map(({ id }) => id);
    expect(idsOf(applyAll(taught, { type: 'changeParts', input: { parts: ['processor'] } }))).toEqual([
      'drive-rate',
      'one-decode-thread',
    ]);
    const named = applyAll(taught, { type: 'setEditorProfile', input: { patch: { name: 'The first' } } });
    expect(idsOf(named)).toHaveLength(3);
    expect(idsOf(applyAll(named, { type: 'setEditorProfile', input: { patch: { name: 'Another' } } }))).toEqual([
      'drive-rate',
    ]);
    expect(idsOf(applyAll(named, { type: 'setEditorProfile', input: { patch: { viewers: 'two' } } }))).toHaveLength(3);
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
    const card = applyAll(empty, look('Lamplight screen recorder'), readAt(60_000), readAt(3_600_000));
    expect(card.readings.map(({ recorderName }) => recorderName)).toEqual(['Lamplight screen recorder', '']);
    expect(applyAll(empty, look('Owl notes'), readAt(60_000)).readings.map(({ recorderName }) => recorderName)).toEqual(
      [''],
    );
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
const taken = applyAll(empty, { type: 'takePrograms', input: { rows, seen, roles: [] } });
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
    const mine = applyAll(taken, {
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
    const said = applyAll(
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
    const other = applyAll(empty, { type: 'takePrograms', input: { rows, seen, roles: [['owl', 'chat']] } });
    expect(other.programs.find(({ name }) => name === 'Cutting Table')?.role).toBe('unknown');
  });

  it('are held against a second list, and count as closed only where they are gone', () => {
    const gone = applyAll(taken, {
      type: 'checkPrograms',
      input: { rows: rows.filter(({ name }) => !name.startsWith('Loft')), takenAtMs: 9 },
    });
    expect(gone.programs.find(({ name }) => name === 'Loft sync')?.outcome).toBe('gone');
    expect(gone.programsCheck).toMatchObject({ freedCores: 1.5, freedMib: 700 });
    const back = applyAll(taken, {
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
    const undone = applyAll(back, {
      type: 'restorePrograms',
      input: { programs: taken.programs, programsSeen: taken.programsSeen, programsCheck: null },
    });
    expect(undone.programs).toEqual(taken.programs);
  });
});

describe('a list of programs as it is taken', () => {
  const row = (
    processId: number,
    name: string,
    busyCores: number | null,
    memoryMib: number | null,
    course?: readonly number[],
  ) => ({
    processId,
    parentId: 1,
    name,
    role: roleOf(name),
    busyCores,
    memoryMib,
    ...(course && { courseCores: course }),
  });
  const take = (card: JobCard, ...list: readonly ReturnType<typeof row>[]): JobCard =>
    applyAll(card, { type: 'takePrograms', input: { rows: list, seen, roles: [] } });
  const byName = (card: JobCard, name: string) => card.programs.find((program) => program.name === name);

  it('chooses what may be closed once it takes a tenth of a core, or 400 MiB where nobody knows of cores', () => {
    const card = take(
      empty,
      row(10, 'Loft sync', 0.1, 90),
      row(20, 'Attic Backup', 0.09, 900),
      row(30, 'Pigeon chat', null, 400),
      row(40, 'Tea updater', null, 399),
      row(50, 'Owl', 2, 900),
    );
    expect(
      ['Loft sync', 'Attic Backup', 'Pigeon chat', 'Tea updater', 'Owl'].map((name) => byName(card, name)?.canClose),
    ).toEqual(['yes', 'unknown', 'yes', 'unknown', 'unknown']);
    expect(listChosen(card).map(({ name }) => name)).toEqual(['Loft sync', 'Pigeon chat']);
  });

  it('tells bursts and what rises by four moments or more', () => {
    const card = take(empty, row(10, 'Owl', 0.5, 90, [0.2, 0.2, 0.4, 1.2]), row(20, 'Wren', 0.5, 90, [0, 1, 0.5]));
    expect(byName(card, 'Owl')?.peakCores).toBe(1.2);
    expect(byName(card, 'Owl')?.changeCores).toBeCloseTo(0.6, 9);
    expect([byName(card, 'Wren')?.peakCores, byName(card, 'Wren')?.changeCores]).toEqual([null, null]);
    // The middle of an odd number of moments belongs to neither half.
    const odd = take(empty, row(10, 'Owl', 0.5, 90, [1, 1, 9, 2, 2]));
    expect([byName(odd, 'Owl')?.peakCores, byName(odd, 'Owl')?.changeCores]).toEqual([9, 1]);
  });

  it('puts small ones together, with the memory of those that are not the system’s', () => {
    const card = take(
      empty,
      row(10, 'Owl', 0.02, 10),
      row(20, 'Wren', 0.01, 60),
      row(30, 'Finch', 0.01, 30),
      row(40, 'Robin', 0.005, 20),
      row(50, 'svchost', 0.001, 40),
    );
    const small = card.programs.find(({ id }) => id === smallProgramsId);
    expect(card.programs.map(({ name }) => name)).toEqual(['Wren', 'Owl', small?.name]);
    expect([small?.busyCores, small?.memoryMib, small?.processCount, small?.canClose]).toEqual([
      expect.closeTo(0.016, 9),
      50,
      3,
      'no',
    ]);
    const silent = take(empty, row(10, 'Finch', null, null), row(20, 'Robin', null, 20), row(30, 'Owl', null, 900));
    expect(silent.programs.find(({ id }) => id === smallProgramsId)).toMatchObject({ busyCores: null, memoryMib: 20 });
    expect(
      listChosen({ ...card, programs: card.programs.map((program) => ({ ...program, canClose: 'yes' as const })) }),
    ).toHaveLength(2);
  });

  it('orders programs by what they take, and splits no more memory than there is', () => {
    const card = applyAll(
      take(empty, row(10, 'Owl', 0.1, 900), row(20, 'Wren', 1, 90), row(30, 'Cutting Table', 0.3, 9000)),
      { type: 'updateProgram', input: { id: 'program:cutting table', patch: { role: 'editor' } } },
    );
    expect(card.programs.map(({ name }) => name)).toEqual(['Cutting Table', 'Wren', 'Owl']);
    const split = splitMemory({ ...card, machine: { ...card.machine, memoryMib: { value: 8000, source: 'typed' } } });
    const { system = 0, editor = 0, others = 0, left = 0 } = split ?? {};
    expect(left).toBe(3000);
    expect(system + editor + others + left).toBeCloseTo(8000, 6);
    expect(editor / others).toBeCloseTo(9000 / 990, 6);
    expect(system).toBeCloseTo(0, 6);
    expect(splitMemory(empty)).toBeNull();
  });

  it('tells of a recorder for half an hour after the look', () => {
    const card = take(empty, row(10, 'Lamplight screen recorder', 0.4, 90));
    const { takenAtMs } = seen;
    expect([takenAtMs, takenAtMs + 1_800_000, takenAtMs + 1_800_001].map((atMs) => recorderAt(card, atMs))).toEqual([
      'Lamplight screen recorder',
      'Lamplight screen recorder',
      null,
    ]);
    const stopped = applyAll(card, { type: 'checkPrograms', input: { rows: [], takenAtMs: 9 } });
    expect(
      recorderAt(
        { ...stopped, programs: stopped.programs.map((program) => ({ ...program, outcome: 'gone' as const })) },
        takenAtMs,
      ),
    ).toBeNull();
  });
});
