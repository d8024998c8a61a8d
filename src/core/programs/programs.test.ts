import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import {
  averageSamples,
  canCloseRole,
  compareCleanUp,
  groupPrograms,
  isPaused,
  isProtected,
  newestRows,
  type ProcessRow,
  type ProcessSample,
  type ProgramUse,
  programKeyOf,
  programRoles,
  roleOf,
} from '.';

const row = (
  processId: number,
  parentId: number | null,
  name: string,
  change: Partial<ProcessRow> = {},
): ProcessRow => ({
  processId,
  parentId,
  name,
  role: roleOf(name),
  busyCores: 0.1,
  memoryMib: 100,
  ...change,
});
const namesOf = (programs: readonly ProgramUse[]) =>
  programs.map(({ name, processCount }) => `${name} ${processCount}`);

describe('roleOf', () => {
  it('knows systems’ and browsers’ own processes, and plain words in other names', () => {
    expect(
      ['svchost', 'WindowServer', '[kworker/1:2]', 'gsd-color', 'MsMpEng', 'mds_stores', 'firefox-esr', 'audiodg'].map(
        (name) => roleOf(name),
      ),
    ).toEqual(['system', 'system', 'system', 'system', 'security', 'indexer', 'browser', 'driver-helper']);
    expect(
      ['LoftSync', 'Attic Backup', 'Pigeon Post chat', 'MossUpdater', 'Lamplight screen recorder', 'TeaMusic'].map(
        (name) => roleOf(name),
      ),
    ).toEqual(['sync', 'backup', 'chat', 'updater', 'recorder', 'music']);
  });

  it('leaves unknown what nothing tells, and takes a file in the system’s folders for the system’s', () => {
    expect([roleOf('Thimble'), roleOf('recall'), roleOf('Photon')]).toEqual(['unknown', 'unknown', 'unknown']);
    expect([roleOf('usbd', '/System/Library/usbd'), roleOf('thing', 'C:\\Windows\\System32\\thing.exe')]).toEqual([
      'system',
      'system',
    ]);
    expect(roleOf('thing', '/opt/thing')).toBe('unknown');
  });

  it('never says of the unknown that it may be closed, and offers nothing that keeps the machine going', () => {
    expect(canCloseRole('unknown')).toBe('unknown');
    for (const role of programRoles) expect(isProtected(role) ? canCloseRole(role) : 'no').toBe('no');
    expect([isPaused('security'), isPaused('browser')]).toEqual([true, false]);
  });
});

describe('groupPrograms', () => {
  it('takes a program and its helpers as one, whoever started it', () => {
    const rows = [
      row(1, 0, 'explorer'),
      row(10, 1, 'Pigeon Post'),
      row(11, 10, 'Pigeon Post Helper (Renderer)'),
      row(12, 10, 'crashpad_handler'),
      row(20, 1, 'Thimble'),
      row(21, 20, 'stitch-server'),
      row(30, 1, 'Marble Launcher'),
      row(31, 30, 'Owl Race'),
    ];
    expect(namesOf(groupPrograms(rows)).toSorted()).toEqual([
      'Marble Launcher 1',
      'Owl Race 1',
      'Pigeon Post 3',
      'Thimble 2',
      'explorer 1',
    ]);
  });

  it('gives pages drawn inside of a program to it, and a browser started by it to itself', () => {
    const rows = [row(10, 0, 'Thimble'), row(11, 10, 'msedgewebview2'), row(12, 10, 'firefox')];
    expect(namesOf(groupPrograms(rows)).toSorted()).toEqual(['Thimble 2', 'firefox 1']);
  });

  it('goes by what the person said: their editor keeps its helpers and is never offered', () => {
    const rows = [
      row(10, 0, 'Cutting Table'),
      row(11, 10, 'frame-cruncher', { busyCores: 2 }),
      row(12, 10, 'Loft Sync'),
    ];
    const programs = groupPrograms(rows, new Map([[programKeyOf('Cutting Table'), 'editor' as const]]));
    expect(programs.find(({ role }) => role === 'editor')?.processCount).toBe(2);
    expect(programs.find(({ name }) => name === 'Loft Sync')?.role).toBe('sync');
  });

  it('is named as the program, also where something that it started is listed before it', () => {
    expect(namesOf(groupPrograms([row(11, 10, 'paper-mill'), row(10, 0, 'Thimble')]))).toEqual(['Thimble 2']);
  });

  it('ends a circle of parents at one process, in whatever order they are listed', () => {
    const rows = [row(1, 0, 'Thimble'), row(3, 39, 'Thimble'), row(39, 3, 'Owl Race')];
    expect(namesOf(groupPrograms(rows))).toEqual(['Thimble 3']);
    expect(namesOf(groupPrograms(rows.toReversed()))).toEqual(['Thimble 3']);
  });

  it('loses no process and no use, and ends, whatever the parents are', () => {
    const anyRow = fc.record({
      processId: fc.nat(40),
      parentId: fc.option(fc.nat(40), { nil: null }),
      name: fc.constantFrom('Thimble', 'Thimble Helper', 'explorer', 'Loft Sync', 'firefox', 'Owl', 'service', ''),
      busyCores: fc.option(fc.double({ min: 0, max: 4, noNaN: true }), { nil: null }),
      memoryMib: fc.option(fc.double({ min: 0, max: 4000, noNaN: true }), { nil: null }),
    });
    fc.assert(
      fc.property(fc.uniqueArray(anyRow, { selector: ({ processId }) => processId, maxLength: 40 }), (made) => {
        const rows = made.map((part) => ({ ...part, role: roleOf(part.name) }));
        const programs = groupPrograms(rows);
        const sum = (values: readonly (number | null)[]) =>
          values.reduce<number>((total, value) => total + (value ?? 0), 0);
        expect(sum(programs.map(({ processCount }) => processCount))).toBe(rows.length);
        expect(sum(programs.map(({ busyCores }) => busyCores))).toBeCloseTo(
          sum(rows.map(({ busyCores }) => busyCores)),
          6,
        );
        expect(groupPrograms(rows.toReversed()).length).toBe(programs.length);
      }),
      propertyRuns,
    );
  });
});

describe('averageSamples', () => {
  const sample = (atMs: number, rows: readonly (readonly [number, string, number, number?])[]): ProcessSample => ({
    atMs,
    coversSec: 2,
    system: 'linux',
    coreCount: 4,
    memoryMib: 8192,
    memoryFreeMib: 4096,
    rows: rows.map(([processId, name, busyCores, driveMegabytePerSec]) => ({
      processId,
      parentId: 1,
      name,
      role: 'unknown',
      busyCores,
      memoryMib: 100,
      ...(driveMegabytePerSec !== undefined && { driveMegabytePerSec }),
    })),
  });

  it('keeps each process’s course beside its mean, and what it took of the drives', () => {
    const { rows } = averageSamples([
      sample(2000, [[10, 'Owl', 1, 8]]),
      sample(4000, [
        [10, 'Owl', 0, 0],
        [20, 'Wren', 2],
      ]),
    ]);
    expect(rows).toMatchObject([
      { processId: 10, busyCores: 0.5, courseCores: [1, 0], driveMegabytePerSec: 4 },
      { processId: 20, busyCores: 1, courseCores: [0, 2] },
    ]);
    expect(rows[1]).not.toHaveProperty('driveMegabytePerSec');
  });

  it('adds the courses of a program’s processes moment by moment', () => {
    const { rows } = averageSamples([
      sample(2000, [
        [10, 'Owl', 1],
        [11, 'Owl Helper', 0, 3],
      ]),
      sample(4000, [
        [10, 'Owl', 0],
        [11, 'Owl Helper', 1, 5],
      ]),
    ]);
    const [owl, ...others] = groupPrograms(rows);
    expect(others).toEqual([]);
    expect(owl).toMatchObject({ courseCores: [1, 1], driveMegabytePerSec: 4, processCount: 2 });
    expect(newestRows(averageSamples([sample(2000, [[10, 'Owl', 1]])]))).toMatchObject([{ busyCores: 1 }]);
  });
});

describe('compareCleanUp', () => {
  const use = (name: string, rootProcessId: number, busyCores: number, memoryMib: number): ProgramUse => ({
    rootProcessId,
    name,
    role: roleOf(name),
    processCount: 1,
    busyCores,
    memoryMib,
    driveMegabytePerSec: null,
    courseCores: [],
  });
  const before = [
    use('Loft Sync', 10, 1.5, 640),
    use('Hedgehog Scan', 20, 1.6, 380),
    use('Pigeon Chat', 30, 0.3, 510),
    use('Owl', 40, 0.1, 90),
  ];

  it('says what is gone, what only rests, what came back and what runs on', () => {
    const after = [
      use('Hedgehog Scan', 20, 0.01, 300),
      use('Pigeon Chat', 99, 0.2, 400),
      use('Owl', 40, 0.1, 90),
      use('Tea Updater', 50, 0.4, 100),
    ];
    const { closed, started, freedCores, freedMib } = compareCleanUp(before, after, [
      'Loft Sync',
      'Hedgehog Scan',
      'Pigeon Chat',
      'Owl',
    ]);
    expect(closed.map(({ name, outcome }) => `${name} ${outcome}`)).toEqual([
      'Loft Sync gone',
      'Hedgehog Scan quiet',
      'Pigeon Chat back',
      'Owl still',
    ]);
    expect([freedCores, freedMib]).toEqual([expect.closeTo(1.5 + 1.59 + 0.1, 9), 640 + 80 + 110]);
    expect(started.map(({ name }) => name)).toEqual(['Tea Updater']);
  });

  it('looks at the chosen ones only, and frees nothing where a program took more', () => {
    const after = [use('Loft Sync', 10, 2, 900)];
    const { closed, freedCores, freedMib } = compareCleanUp(before, after, ['Loft Sync']);
    expect([closed.length, freedCores, freedMib]).toEqual([1, 0, 0]);
  });
});
