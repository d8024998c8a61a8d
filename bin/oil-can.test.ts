import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { makeProcesses, writePsMac } from '../tests/fixtures/process-lists';
import { runOilCan } from './commands/run';

const root = fileURLToPath(new URL('..', import.meta.url));

/** Runs the command line as a person does, but for npm. */
const oilCanByHand = (...args: readonly string[]) => {
  const ran = spawnSync('node_modules/.bin/tsx', ['bin/oil-can.ts', ...args], { cwd: root, encoding: 'utf8' });
  return { exitCode: ran.status, json: ran.stdout === '' ? null : JSON.parse(ran.stdout), messages: ran.stderr };
};

/** The same without a process of its own, which takes seconds to begin. */
const oilCan = async (...args: readonly string[]) => {
  const { exitCode, json, messages } = await runOilCan(args);
  return { exitCode, json: JSON.parse(JSON.stringify(json)), messages };
};

describe('oil-can', () => {
  it('inspect gives facts and, in their place, failures, and ends with 1 where there was one', async () => {
    const { exitCode, json } = await oilCan(
      'inspect',
      'tests/fixtures/media/h264-8bit.mp4',
      'tests/fixtures/media/empty.mp4',
      'nowhere.mp4',
    );
    expect(exitCode).toBe(1);
    expect(Object.keys(json[0]).sort()).toEqual(
      [
        ...['fileName', 'container', 'codec', 'profile', 'widthPx', 'heightPx', 'frameRateFps', 'isVariableFrameRate'],
        ...['bitDepth', 'chroma', 'bitrateMbitPerSec', 'durationMs', 'frameCount', 'keyFrameDistance'],
        ...['rotationDegrees', 'audio', 'traits'],
        // Beyond the shared list.
        ...['kind', 'codecString', 'level', 'scan', 'pixelAspect', 'frameIntervals', 'videoTrackCount', 'sizeEvenness'],
      ].sort(),
    );
    expect(json[1]).toEqual({ fileName: 'empty.mp4', failure: { code: 'file-empty' } });
    expect(json[2]).toMatchObject({ fileName: 'nowhere.mp4', failure: { code: 'file-unreadable' } });
  });

  it('programs groups a list of processes, in both ways of counting, and says what is wrong with another file', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'oil-can-'));
    const path = join(folder, 'list.txt');
    writeFileSync(path, writePsMac(makeProcesses('macos', 120)));
    const { exitCode, json } = await oilCan('programs', path, '--cores', '8');
    expect(exitCode).toBe(0);
    expect(Object.keys(json[0])).toEqual([
      ...['name', 'role', 'processCount', 'coreUsePercent', 'wholeMachinePercent', 'memoryMib', 'canClose'],
    ]);
    const scan = json.find(({ name }: { readonly name: string }) => name === 'Hedgehog Scan');
    expect(scan).toMatchObject({
      role: 'security',
      processCount: 2,
      coreUsePercent: 110,
      wholeMachinePercent: 13.8,
      canClose: 'yes',
    });
    expect(await oilCan('programs', 'package.json')).toMatchObject({
      exitCode: 1,
      json: { failure: { code: 'list-unknown' } },
    });
    expect((await oilCan('programs', path, '--cores', 'many')).exitCode).toBe(2);
    rmSync(folder, { recursive: true });
  });

  it('machine says what this computer is', async () => {
    const { exitCode, json } = await oilCan('machine');
    expect([exitCode, Object.keys(json)]).toEqual([
      0,
      ['system', 'processor', 'memory', 'graphics', 'drives', 'battery', 'powerMode'],
    ]);
    expect(json.processor.coreCount).toBeGreaterThan(0);
  });

  it('check-proxy holds a proxy against its original, and says what cannot be read', async () => {
    const media = (name: string) => `tests/fixtures/media/${name}`;
    expect(await oilCan('check-proxy', media('h264-8bit.mp4'), media('h264-8bit.mp4'))).toMatchObject({
      exitCode: 0,
      json: { isGood: true, faults: [], pictures: 'compared' },
    });
    const other = await oilCan('check-proxy', media('h264-8bit.mp4'), media('silent.mp4'));
    expect([other.exitCode, other.json.isGood]).toEqual([0, false]);
    expect(other.json.faults[0]).toMatchObject({ code: expect.any(String) });
    expect(await oilCan('check-proxy', media('h264-8bit.mp4'), media('not-a-film.mp4'))).toMatchObject({
      exitCode: 1,
      json: { failure: { code: 'proxy-unreadable' } },
    });
    expect(await oilCan('check-proxy', 'nothing.mp4', media('silent.mp4'))).toMatchObject({
      exitCode: 1,
      json: { failure: { code: 'original-unreadable' } },
    });
    expect((await oilCan('check-proxy', media('silent.mp4'))).exitCode).toBe(2);
  });

  it('check says whether a card can be used, and why not', async () => {
    expect(await oilCan('check', 'src/demo/cards/decode-bound.json')).toMatchObject({
      exitCode: 0,
      json: { isValid: true, version: 13 },
    });
    const broken = await oilCan('check', 'package.json');
    expect(broken).toMatchObject({ exitCode: 1, json: { failure: { code: 'card-not-a-card' } } });
    expect(broken.messages).toContain('not a job card');
  });

  it('findings has the documented shape, and names the cause, a look and a way out', async () => {
    const { exitCode, json } = await oilCan('findings', 'src/demo/cards/effects-bound.json');
    expect(exitCode).toBe(0);
    expect(Object.keys(json)).toEqual([
      'targetFps',
      'budgetMs',
      'stages',
      'bindingLane',
      'shownFps',
      'scrubMs',
      'causes',
      'nextTests',
      'plans',
    ]);
    expect(json).toMatchObject({
      targetFps: 25,
      budgetMs: 40,
      bindingLane: 'drawing',
    });
    expect(json.causes[0].id).toBe('effects-heavy');
    expect(Object.keys(json.causes[0])).toEqual(['id', 'share', 'probability']);
    expect(Object.keys(json.nextTests[0])).toEqual([
      'id',
      'level',
      'bits',
      'cureProbability',
      'minutes',
      'score',
      'isToFindOut',
      'otherWays',
    ]);
    expect(Object.keys(json.plans[0])).toEqual(['id', 'fixes', 'shownFps', 'probability']);
    expect(json.stages.map((stage: { readonly id: string }) => stage.id)).toEqual([
      'read',
      'decode',
      'scale',
      'effects',
      'layers',
      'show',
    ]);
  });

  it('what-if takes fixes with and without levels and names the defaults it used', async () => {
    const { json } = await oilCan(
      'what-if',
      'src/demo/cards/decode-bound.json',
      'lower-preview-quality=1/8',
      'make-proxies',
      'close-programs',
    );
    expect(json.fixes).toEqual([
      { id: 'lower-preview-quality', level: '1/8' },
      { id: 'make-proxies', level: 540 },
      { id: 'close-programs', level: 'all' },
    ]);
    expect(json.after.shownFps.mid).toBeGreaterThan(2 * json.before.shownFps.mid);
  });

  it('prints data and messages apart, and ends with the exit code', () => {
    const broken = oilCanByHand('check', 'package.json');
    expect(broken).toMatchObject({ exitCode: 1, json: { failure: { code: 'card-not-a-card' } } });
    expect(broken.messages).toMatch(/not a job card.*\n$/);
    const wrong = oilCanByHand();
    expect([wrong.exitCode, wrong.json]).toEqual([2, null]);
    expect(wrong.messages).toContain('A command is missing.\nUse:\n');
  });

  it('ends with 2 and the ways to use it for wrong use', async () => {
    for (const args of [
      [],
      ['inspect'],
      ['what-if', 'x.json'],
      ['what-if', 'x.json', 'wish'],
      ['what-if', 'x.json', 'make-proxies=tall'],
    ]) {
      const { exitCode, json, messages } = await oilCan(...args);
      expect(exitCode, args.join(' ')).toBe(2);
      expect(json).toBeNull();
      expect(messages).toContain('oil-can inspect FILE');
    }
  });
});
