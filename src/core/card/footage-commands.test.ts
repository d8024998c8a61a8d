import { describe, expect, it } from 'vitest';
import { decodeRun, decodeTest, fileReadAt, videoFacts } from '../../../tests/arbitrary/clips';
import { applyAll } from '../../../tests/stand-ins/commands';
import { measureDecoding } from '../test-play';
import {
  applyCommand,
  type BrowserAnswer,
  createCardClip,
  createJobCard,
  deriveBaseState,
  hardwareVerdictOf,
  type JobCard,
  parseCardText,
  serializeCard,
  targetFpsOf,
} from '.';

const [a, b] = [
  createCardClip({ id: 'a', facts: videoFacts({ fileName: 'a.mp4' }) }),
  createCardClip({
    id: 'b',
    facts: videoFacts({ fileName: 'b.mp4', frameRate: { num: 50, den: 1 } }),
    folder: 'Day 2',
  }),
];
const sound = createCardClip({
  id: 's',
  facts: {
    kind: 'sound',
    fileName: 'choir.wav',
    sizeBytes: 1000,
    container: 'wav',
    durationMs: 900_000,
    audio: { codec: 'pcm_s16le', channelCount: 2, sampleRateHz: 48_000 },
  },
});
const still = createCardClip({
  id: 'p',
  facts: {
    kind: 'still',
    fileName: 'bowl.jpg',
    sizeBytes: 1000,
    container: 'jpeg',
    widthPx: 6000,
    heightPx: 4000,
    rotationDegrees: 0,
  },
});
const cardOf = (...clips: readonly (typeof a)[]): JobCard =>
  applyAll(createJobCard({ id: 'c', title: 'c', nowMs: 1 }), {
    type: 'addClips',
    input: { clips: clips.map((clip) => ({ clip })) },
  });
const test = {
  ...decodeTest([decodeRun(100), decodeRun(50, { isOneByOne: true })]),
  scrub: { jumpCount: 20, medianMs: 90, slowestTenthMs: 200 },
};

describe('commands of the footage', () => {
  it('adds no clip twice, in one command or in two', () => {
    const card = cardOf(a);
    for (const clips of [[{ clip: a }], [{ clip: b }, { clip: b }]])
      expect(applyCommand(card, { type: 'addClips', input: { clips } }, 2)).toMatchObject({
        failure: { code: 'item-exists', item: 'clip' },
      });
  });

  it('takes the timeline’s shape from the first video, not from a still or a sound', () => {
    expect(cardOf(still, sound, b).timeline).toMatchObject({
      widthPx: 1920,
      heightPx: 1080,
      frameRate: { num: 50, den: 1 },
    });
    expect(cardOf(still, sound).timeline).toMatchObject({ widthPx: 1920, frameRate: { num: 25, den: 1 } });
  });

  it('states a drive and facts of several clips at once, marks them as typed, and reading again takes them back', () => {
    const stated = applyAll(
      cardOf(a, b, still),
      { type: 'setClipDrive', input: { ids: ['a', 'b'], drive: 'memory-card' } },
      { type: 'correctClips', input: { ids: ['a', 'b', 'p'], facts: { bitDepth: 10, scan: 'interlaced' } } },
      { type: 'correctClips', input: { ids: ['a'], facts: { bitDepth: 12 } } },
    );
    expect(stated.clips.map((clip) => [clip.drive, clip.correctedFields])).toEqual([
      ['memory-card', ['bitDepth', 'scan']],
      ['memory-card', ['bitDepth', 'scan']],
      [null, []],
    ]);
    expect(stated.clips[0]?.facts).toMatchObject({ bitDepth: 12, scan: 'interlaced' });
    const again = applyAll(stated, {
      type: 'replaceClipFacts',
      input: { id: 'a', facts: a.facts, origin: 'file', browserAnswer: null },
    });
    expect(again.clips[0]).toMatchObject({ facts: a.facts, correctedFields: [], drive: 'memory-card' });
    expect(applyCommand(stated, { type: 'removeClips', input: { ids: ['a', 'x'] } }, 2)).toMatchObject({
      failure: { code: 'item-missing', id: 'x' },
    });
  });

  it('keeps every kind of clip and a test-play over export and import', () => {
    const card = applyAll(cardOf(a, still, sound), { type: 'addDecodeTest', input: { test } });
    expect(parseCardText(serializeCard(card))).toEqual({ ok: true, value: card });
  });

  it('lets a deleted test-play leave no trace', () => {
    const card = cardOf(a);
    const tested = applyAll(card, { type: 'addDecodeTest', input: { test } });
    expect(deriveBaseState(tested)).not.toEqual(deriveBaseState(card));
    const deleted = applyAll(tested, { type: 'removeDecodeTest', input: { id: test.id } });
    expect(deriveBaseState(deleted)).toEqual(deriveBaseState(card));
  });
});

describe('deriveBaseState with stills, sounds and measurements', () => {
  it('costs a still no decoding and no reading, and leaves sound out', () => {
    const { clips } = deriveBaseState(cardOf(a, still, sound)).setup;
    expect(clips.map(({ id }) => id)).toEqual(['a', 'p']);
    expect(clips[1]?.original).toMatchObject({ codec: 'still', bitrateMbitPerSec: 0, meanKeyFrameDistanceFrames: 1 });
    expect(deriveBaseState(cardOf(sound)).setup.clips.map(({ id }) => id)).toEqual(['stand-in']);
    expect(targetFpsOf(cardOf(a, still, sound))).toBe(25);
  });

  it('takes speed and threads from a test-play in place of the class, and the drive from each clip', () => {
    const card = applyAll(
      cardOf(a, b),
      { type: 'addDecodeTest', input: { test } },
      { type: 'setClipDrive', input: { ids: ['b'], drive: 'cloud' } },
    );
    const { machine, clips } = deriveBaseState(card).setup;
    const measured = measureDecoding([test], 4);
    expect(machine).toMatchObject({
      coreSpeedRatio: measured.coreSpeedRatio,
      decodeThreadCount: measured.decodeThreadCount,
      speedFrom: 'measured',
      powerRatio: 1,
    });
    const [nearMs, farMs] = clips.map((clip) => clip.original.drive.latencyMs) as [number, number];
    expect(farMs).toBeGreaterThan(100 * nearMs);
  });

  it('takes the rate at which a file was read for its drive, and for no other', () => {
    const read = { ...test, clipId: 'a', fileRead: fileReadAt(41) };
    const card = applyAll(
      cardOf(a, b, createCardClip({ id: 'c', facts: videoFacts() })),
      { type: 'setClipDrive', input: { ids: ['b'], drive: 'network' } },
      { type: 'addDecodeTest', input: { test: read } },
    );
    const ratesOf = (of: JobCard) =>
      deriveBaseState(of).setup.clips.map(({ original }) => original.drive.readMegabytePerSec);
    const [, network] = ratesOf({ ...card, decodeTests: [] });
    expect(ratesOf(card)).toEqual([41, network, 41]);
    const fromMemory = { ...read, fileRead: fileReadAt(350, true) };
    expect(ratesOf({ ...card, decodeTests: [fromMemory] })).toEqual(ratesOf({ ...card, decodeTests: [] }));
  });

  it('counts only the frames that an uneven clip really holds', () => {
    const uneven = videoFacts({ isVariableFrameRate: true, frameRate: { num: 60, den: 1 }, frameCount: 1200 });
    const card = cardOf(createCardClip({ id: 'u', facts: uneven }));
    expect(deriveBaseState(card).setup.clips[0]?.original.frameRateFps).toBe(20);
  });
});

describe('hardwareVerdictOf', () => {
  const answer = (hardware: BrowserAnswer['hardware']): BrowserAnswer => ({
    hardware,
    isSmooth: 'unknown',
    isPowerEfficient: 'unknown',
  });
  const verdict = (hardware: BrowserAnswer['hardware'] | null, change: Partial<JobCard> = {}) => {
    const clip = { ...a, browserAnswer: hardware && answer(hardware) };
    return hardwareVerdictOf({ ...cardOf(clip), ...change }, clip);
  };

  it('believes a test-play first, then the browser where it has hardware at all, then the year', () => {
    const hardwareRun = decodeRun(300, { way: 'hardware' });
    expect(verdict('refused', { decodeTests: [{ ...test, runs: [...test.runs, hardwareRun] }] })).toEqual({
      state: 'measured',
      source: 'test-play',
    });
    expect(verdict('accepted')).toEqual({ state: 'likely', source: 'browser' });
    expect(verdict('refused')).toEqual({ state: 'unlikely', source: 'browser' });
    for (const silent of ['none-here', 'codec-unknown', null] as const)
      expect(verdict(silent)).toEqual({ state: 'likely', source: 'graphics-year' });
  });

  it('has none where the machine has no graphics', () => {
    const { machine } = cardOf(a);
    const none = { ...machine, graphics: { value: 'none', source: 'typed' } } as const;
    expect(verdict('accepted', { machine: none })).toEqual({ state: 'unlikely', source: 'no-graphics' });
  });
});
