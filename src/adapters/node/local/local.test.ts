import { afterEach, describe, expect, it, vi } from 'vitest';
import { newestRows, type ProcessRow, type ProcessSample } from '@/core/programs';
import { answerLocally } from './answer';
import { helperAddressVariable, isAllowed, readHelperPort } from './guard';
import { readProgramsNow } from './local-helper';
import { ProgramSampler } from './program-sampler';
import { readLocalMachine } from './read-machine';

const port = 4310;
const ours = { host: '127.0.0.1:4310', 'sec-fetch-site': 'same-origin' };
const request = (
  headers: Record<string, string>,
  change: { readonly method?: string; readonly url?: string } = {},
) => ({
  method: 'GET',
  url: 'http://127.0.0.1:4310/api/local/machine',
  headers: new Headers(headers),
  ...change,
});

describe('the guard', () => {
  it('lets a page of ours ask, by both names of this computer', () => {
    expect(isAllowed(request(ours), port)).toBe(true);
    expect(isAllowed(request({ ...ours, host: 'localhost:4310' }), port)).toBe(true);
    expect(isAllowed(request({ ...ours, origin: 'http://127.0.0.1:4310', 'content-length': '0' }), port)).toBe(true);
  });

  it('refuses every other one', () => {
    const refused: readonly [string, ReturnType<typeof request>][] = [
      ['another site’s page', request({ ...ours, 'sec-fetch-site': 'cross-site' })],
      ['a page of another port', request({ ...ours, 'sec-fetch-site': 'same-site' })],
      ['an address that was typed', request({ ...ours, 'sec-fetch-site': 'none' })],
      ['a program', request({ host: ours.host })],
      ['another origin', request({ ...ours, origin: 'http://kiln.test' })],
      ['no origin at all, as of a sandboxed frame', request({ ...ours, origin: 'null' })],
      ['the other name’s origin', request({ ...ours, origin: 'http://localhost:4310' })],
      ['a forged host', request({ ...ours, host: 'kiln.test' })],
      ['a rebound name', request({ ...ours, host: 'kiln.test:4310' })],
      ['a name that begins like ours', request({ ...ours, host: '127.0.0.1:4310.kiln.test' })],
      ['another port', request({ ...ours, host: '127.0.0.1:80' })],
      ['no host', request({ 'sec-fetch-site': 'same-origin' })],
      ['a query', request(ours, { url: 'http://127.0.0.1:4310/api/local/machine?all' })],
      ['a body', request({ ...ours, 'content-length': '4' })],
      ['a body of no stated length', request({ ...ours, 'transfer-encoding': 'chunked' })],
      ...['POST', 'HEAD', 'OPTIONS', 'PUT', 'DELETE', 'PATCH'].map(
        (method) => [method, request(ours, { method })] as [string, ReturnType<typeof request>],
      ),
    ];
    expect(refused.filter(([, asked]) => isAllowed(asked, port)).map(([who]) => who)).toEqual([]);
  });

  it('is off without an address on this computer', () => {
    expect(
      ['', undefined, '0.0.0.0:4310', '127.0.0.1', '127.0.0.1:0', '127.0.0.1:99999', '[::]:4310'].map(readHelperPort),
    ).toEqual(Array(7).fill(null));
    expect(readHelperPort('127.0.0.1:4310')).toBe(4310);
  });
});

describe('answerLocally', () => {
  afterEach(() => vi.unstubAllEnvs());

  it('answers, and refuses without reading anything: the same bare 404 whatever the reason', async () => {
    const read = vi.fn(async () => ({ a: 1 }));
    vi.stubEnv(helperAddressVariable, '');
    const off = await answerLocally(request(ours), read);
    vi.stubEnv(helperAddressVariable, '127.0.0.1:4310');
    const forged = await answerLocally(request({ ...ours, host: 'kiln.test' }), read);
    for (const { status, body, headers } of [off, forged])
      expect([status, body, [...headers]]).toEqual([404, null, [['cache-control', 'no-store']]]);
    expect(read).not.toHaveBeenCalled();
    const answer = await answerLocally(request(ours), read);
    expect([answer.status, await answer.json(), answer.headers.get('access-control-allow-origin')]).toEqual([
      200,
      { a: 1 },
      null,
    ]);
  });
});

/** A world in which time passes only while somebody waits. */
function createWorld() {
  let nowMs = 0;
  let listCount = 0;
  const row = (processId: number, busyCores: number): ProcessRow => ({
    processId,
    parentId: 1,
    name: `made-${processId}`,
    role: 'unknown',
    busyCores,
    memoryMib: 10,
  });
  return {
    count: () => listCount,
    list: async (): Promise<Omit<ProcessSample, 'atMs' | 'coversSec'>> => {
      listCount++;
      // One takes a core all the time; one came with the third list and takes two.
      const rows = listCount < 3 ? [row(1, 1)] : [row(1, 1), row(2, 2)];
      return { system: 'linux', coreCount: 4, memoryMib: 8000, memoryFreeMib: 4000, rows };
    },
    nowMs: () => nowMs,
    wait: async (ms: number) => {
      // Other work goes first, as it does in a real wait.
      await new Promise((resolve) => setImmediate(resolve));
      nowMs += ms;
    },
    ownProcessorSec: () => nowMs / 100_000,
  };
}

describe('ProgramSampler', () => {
  it('answers at once with the seconds it covers, and later with half a minute’s average', async () => {
    const world = createWorld();
    const sampler = new ProgramSampler(world);
    const first = await sampler.read();
    expect([first.coversSec, first.rows.map(({ busyCores }) => busyCores)]).toEqual([0.7, [1]]);
    expect(first.ownBusyCores).toBeCloseTo(0.01, 6);
    for (let i = 0; i < 40 && world.nowMs() < 28_000; i++) await new Promise((resolve) => setImmediate(resolve));
    const later = await sampler.read();
    expect(later.coversSec).toBeGreaterThan(20);
    expect(later.coversSec).toBeLessThanOrEqual(30);
    const [steady, burst] = later.rows.map(({ busyCores }) => busyCores);
    expect(steady).toBeCloseTo(1, 6);
    // What it took is spread over the time before it came.
    expect(burst).toBeGreaterThan(1.8);
    expect(burst).toBeLessThan(2);
    expect(newestRows(later).map(({ busyCores }) => busyCores)).toEqual([1, 2]);
    expect(later.course.names).toEqual(['made-2', 'made-1']);
    expect(later.course.moments.at(-1)).toMatchObject({ secondsAgo: 0, busyCores: 3, busyCoresByName: [2, 1] });
  });

  it('is no more work for a thousand who ask at once than for one, and stops a minute after the last', async () => {
    const world = createWorld();
    const sampler = new ProgramSampler(world);
    const answers = await Promise.all(Array.from({ length: 1000 }, () => sampler.read()));
    expect(new Set(answers.map(({ coversSec }) => coversSec))).toEqual(new Set([0.7]));
    expect(world.count()).toBe(2);
    for (let i = 0; i < 200; i++) await new Promise((resolve) => setImmediate(resolve));
    const counted = world.count();
    expect(counted).toBeLessThan(36);
    for (let i = 0; i < 50; i++) await new Promise((resolve) => setImmediate(resolve));
    expect(world.count()).toBe(counted);
    // Whoever asks again begins anew.
    expect((await sampler.read()).coversSec).toBe(0.7);
  });

  it('starts anew after looking has failed', async () => {
    const world = createWorld();
    const list = vi.fn(world.list).mockRejectedValueOnce(new Error('the list broke'));
    const sampler = new ProgramSampler({ ...world, list });
    await expect(sampler.read()).rejects.toThrow('the list broke');
    await new Promise((resolve) => setImmediate(resolve));
    expect((await sampler.read()).rows.length).toBe(1);
  });
});

describe('what is read of this computer', () => {
  const secrets = [process.env.HOME, process.env.USER, process.env.HOSTNAME, process.cwd(), process.env.PATH].filter(
    (text): text is string => text !== undefined && text.length > 4,
  );

  it('is what it is, and nothing of whose it is', async () => {
    const machine = await readLocalMachine();
    expect(machine.processor.coreCount).toBeGreaterThan(0);
    expect(machine.memory.totalMib).toBeGreaterThan(500);
    expect(machine.drives.some(({ isSystem, sizeGb, freeGb }) => isSystem && sizeGb >= freeGb)).toBe(true);
    for (const secret of secrets) expect(JSON.stringify(machine)).not.toContain(secret);
  });

  it('lists what runs, this very process too, with names alone', async () => {
    const { rows, coversSec, coreCount } = await readProgramsNow();
    expect([coversSec > 0.4, coreCount > 0, rows.some(({ processId }) => processId === process.pid)]).toEqual([
      true,
      true,
      true,
    ]);
    for (const row of rows) {
      const { driveMegabytePerSec, ...always } = row;
      expect(Object.keys(always).sort()).toEqual([
        'busyCores',
        'courseCores',
        'memoryMib',
        'name',
        'parentId',
        'processId',
        'role',
      ]);
      expect(driveMegabytePerSec ?? 0).toBeGreaterThanOrEqual(0);
      expect(row.name).not.toMatch(/[/\\]|--/);
      expect(row.busyCores).toBeLessThanOrEqual(coreCount + 0.5);
    }
    for (const secret of secrets) expect(JSON.stringify(rows)).not.toContain(secret);
  });
});
