import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fileReadAt, decodeRun as run, decodeTest as testOf, videoFacts } from '../../../tests/arbitrary/clips';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { softwareDecodeMs } from '../load';
import {
  chooseTestClip,
  computeDecodeRate,
  computeFileRead,
  computeScrubRun,
  computeSmallPieceMs,
  isHardwareProven,
  isTelling,
  listScrubPlaces,
  measureDecoding,
  measureReading,
  mostToldMegabytePerSec,
  pieceBytes,
  planPieces,
  planRuns,
  planSmallPieces,
  smallPieceBytes,
} from '.';

const { stream } = testOf([]);
const referenceFps = 1000 / softwareDecodeMs({ ...stream, megapixels: 1920 * 1080e-6, megabits: 0.8 });

describe('computeDecodeRate', () => {
  it('counts from the first frame to the last: 51 frames in two seconds are 25 a second, none dropped', () => {
    const frameAtMs = Array.from({ length: 51 }, (_, i) => 300 + i * 40);
    expect(computeDecodeRate({ frameAtMs, clipFps: 25 })).toEqual({
      frameCount: 51,
      elapsedMs: 2000,
      decodedFps: 25,
      droppedCount: 0,
    });
  });
  it('finds half of the frames dropped where decoding is half as fast as the clip', () => {
    const frameAtMs = Array.from({ length: 26 }, (_, i) => i * 80);
    expect(computeDecodeRate({ frameAtMs, clipFps: 25 })).toMatchObject({ decodedFps: 12.5, droppedCount: 25 });
  });
  it('counts a stall that is caught up afterwards', () => {
    const frameAtMs = [0, 10, 20, 500, 501, 502, 503, 504, 505, 506, 507, 508, 509, 510];
    expect(computeDecodeRate({ frameAtMs, clipFps: 25 }).droppedCount).toBe(9);
  });
  it('has no rate for fewer than two frames', () => {
    expect(computeDecodeRate({ frameAtMs: [], clipFps: 25 })).toMatchObject({ frameCount: 0, decodedFps: 0 });
    expect(computeDecodeRate({ frameAtMs: [7], clipFps: 25 })).toMatchObject({ frameCount: 1, decodedFps: 0 });
  });
});

describe('computeScrubRun', () => {
  it('gives the middle and the slowest tenth, and nothing without jumps', () => {
    const waits = Array.from({ length: 20 }, (_, i) => 10 * (i + 1));
    expect(computeScrubRun(waits)).toEqual({ jumpCount: 20, medianMs: 105, slowestTenthMs: 181 });
    expect(computeScrubRun([])).toBeNull();
  });
});

describe('planRuns', () => {
  it('asks the processor alone where the browser has no hardware for the clip', () => {
    expect(planRuns({ heightPx: 1080, canDecodeInHardware: false })).toEqual([
      { way: 'software', isOneByOne: false, drawnHeightPx: null },
      { way: 'software', isOneByOne: true, drawnHeightPx: null },
      ...[1080, 540, 270].map((drawnHeightPx) => ({ way: 'software', isOneByOne: false, drawnHeightPx })),
    ]);
  });
  it('asks both where it has, and draws no picture too small to judge', () => {
    const runs = planRuns({ heightPx: 270, canDecodeInHardware: true });
    expect(runs.filter((each) => each.way === 'hardware' && each.drawnHeightPx === null)).toHaveLength(1);
    expect(runs.map((each) => each.drawnHeightPx).filter((px) => px !== null)).toEqual([270, 136]);
  });
});

describe('listScrubPlaces', () => {
  it('spreads over the clip, and leaps about', () => {
    const places = listScrubPlaces();
    expect(new Set(places).size).toBe(20);
    for (let tenth = 0; tenth < 10; tenth++)
      expect(places.some((place) => place >= tenth / 10 && place < (tenth + 1) / 10)).toBe(true);
    expect(places.slice(0, 4)).toEqual([0.5, 0.25, 0.75, 0.125]);
  });
});

describe('chooseTestClip', () => {
  const clip = (change: Parameters<typeof videoFacts>[0]) => ({ facts: videoFacts(change) });
  const [light, usual, heavy] = [
    clip({ widthPx: 480, heightPx: 270, bitrateMbitPerSec: 1 }),
    clip({ codec: 'h264', widthPx: 1920, heightPx: 1080 }),
    clip({ codec: 'h264', widthPx: 3840, heightPx: 2160 }),
  ];

  it('takes the heaviest, in whatever order they come, and none that is too light to tell', () => {
    expect(chooseTestClip([usual, heavy, light])).toBe(heavy);
    expect(chooseTestClip([heavy, light, usual])).toBe(heavy);
    expect(chooseTestClip([light])).toBeNull();
    expect(chooseTestClip([])).toBeNull();
  });
});

describe('measureDecoding', () => {
  it('takes core speed from one thread and threads from the gain of many', () => {
    const measured = measureDecoding(
      [testOf([run(referenceFps * 1.5 * 2.7), run(referenceFps * 1.5, { isOneByOne: true })])],
      8,
    );
    expect(measured.coreSpeedRatio).toBeCloseTo(1.5, 6);
    expect(measured.decodeThreadCount).toBeCloseTo(3, 6);
    expect(measured.hardwareMegapixelPerSec).toBeNull();
  });
  it('takes the usual gain off where a decoder does not tell one thread from many', () => {
    const both = measureDecoding(
      [testOf([run(referenceFps * 1.85), run(referenceFps * 1.85, { isOneByOne: true })])],
      2,
    );
    expect(both.coreSpeedRatio).toBeCloseTo(1, 6);
    expect(both.decodeThreadCount).toBeNull();
  });
  it('believes hardware only where its rate differs by over a fifth, faster or slower', () => {
    const with_ = (fps: number) => testOf([run(50), run(fps, { way: 'hardware' })]);
    expect([41, 59].map((fps) => isHardwareProven(with_(fps)))).toEqual([false, false]);
    expect([39, 61, 200].map((fps) => isHardwareProven(with_(fps)))).toEqual([true, true, true]);
    expect(measureDecoding([with_(200)], 4).hardwareMegapixelPerSec).toBeCloseTo(200 * 2.0736, 6);
    expect(isHardwareProven(testOf([run(50)]))).toBe(false);
  });
  it('leaves a clip out that is too light to tell a machine by', () => {
    const light = { ...stream, widthPx: 640, heightPx: 360, megabitsPerFrame: 0.05 };
    expect([isTelling(stream), isTelling(light)]).toEqual([true, false]);
    const test = { ...testOf([run(700), run(600, { isOneByOne: true })]), stream: light };
    expect(measureDecoding([test], 4).coreSpeedRatio).toBeNull();
  });
  it('knows nothing without tests', () => {
    expect(measureDecoding([], 4)).toEqual({
      coreSpeedRatio: null,
      decodeThreadCount: null,
      hardwareMegapixelPerSec: null,
    });
  });
  it('gives finite figures above zero for any tests, in any order the same', () => {
    const rates = fc.double({ min: 0.1, max: 5000, noNaN: true });
    const tests = fc.array(fc.tuple(rates, rates, rates), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(tests, fc.integer({ min: 1, max: 64 }), (all, coreCount) => {
        const made = all.map(([a, b, c]) =>
          testOf([run(a), run(b, { isOneByOne: true }), run(c, { way: 'hardware' })]),
        );
        const measured = measureDecoding(made, coreCount);
        for (const value of Object.values(measured))
          if (value !== null) expect(value > 0 && Number.isFinite(value)).toBe(true);
        expect(measureDecoding([...made].reverse(), coreCount)).toEqual(measured);
      }),
      propertyRuns,
    );
  });
});

describe('planPieces', () => {
  it('spreads stretches over a file without overlap, from its beginning to its end', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200e9 }), (sizeBytes) => {
        const stretches = planPieces(sizeBytes);
        const starts = stretches.flat();
        if (sizeBytes < 3 * pieceBytes) expect(starts).toEqual([]);
        else expect(starts[0]).toBe(0);
        if (stretches.length > 1) expect(Math.abs((starts.at(-1) ?? 0) + pieceBytes - sizeBytes)).toBeLessThan(2);
        expect(starts.every((start) => start + pieceBytes <= sizeBytes)).toBe(true);
        expect(starts.every((start, i) => i === 0 || start >= (starts[i - 1] ?? 0) + pieceBytes)).toBe(true);
        expect(starts.length).toBeLessThanOrEqual(24);
      }),
      propertyRuns,
    );
  });
  it('reads a stretch without a gap, as a player does', () => {
    expect(planPieces(10e9)).toHaveLength(4);
    for (const starts of planPieces(10e9))
      expect(starts.map((start) => start - (starts[0] ?? 0))).toEqual([0, 1, 2, 3, 4, 5].map((i) => i * pieceBytes));
    expect(planPieces(5 * pieceBytes)).toHaveLength(1);
  });
});

describe('small pieces', () => {
  it('lie all over a file, and not in or behind what is read in large pieces', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000_000_000 }), (sizeBytes) => {
        const large = planPieces(sizeBytes);
        const small = planSmallPieces(sizeBytes);
        expect(large.length > 0 || small.length === 0).toBe(true);
        expect(new Set(small).size).toBe(small.length);
        for (const start of small) {
          expect(start >= 0 && start + smallPieceBytes <= sizeBytes).toBe(true);
          for (const from of large.flat())
            expect(start + smallPieceBytes <= from || start >= from + pieceBytes).toBe(true);
        }
      }),
      propertyRuns,
    );
    expect(planSmallPieces(10e9)).toHaveLength(12);
  });

  it('tell a wait for the drive from one out of memory', () => {
    const waits = (...ms: readonly number[]) => ms.map((elapsedMs) => ({ bytes: smallPieceBytes, elapsedMs }));
    expect(computeSmallPieceMs(waits(12, 14, 13), waits(1, 1.2, 1))).toBe(12);
    // A solid-state drive behind a browser's way through is not told from memory.
    expect(computeSmallPieceMs(waits(1.1, 1.2, 1.3), waits(1, 1.1, 1))).toBeNull();
    expect(computeSmallPieceMs(waits(0.2, 0.2), waits(0.05, 0.05))).toBeNull();
    expect(computeSmallPieceMs([], [])).toBeNull();
  });
});

describe('computeFileRead', () => {
  /** Pieces that a drive gives at these rates, read by a browser that passes memory on at `memory`. */
  const piecesAt = (rates: readonly number[], memory = 400) =>
    rates.map((rate) => ({ bytes: 8e6, elapsedMs: 8000 / rate + 8000 / memory }));
  const againAt = (memory: number) => [0, 1, 2].map(() => ({ bytes: 8e6, elapsedMs: 8000 / memory }));
  const readAt = (rates: readonly number[], memory = 400) => computeFileRead(piecesAt(rates, memory), againAt(memory));
  const outOfMemory = Number.POSITIVE_INFINITY;

  it('takes the middle piece of a drive, without what the browser takes to pass it on', () => {
    const read = readAt([90, 100, 20, 110, 95]);
    expect(read?.isAtLeast).toBe(false);
    expect(read?.megabytePerSec).toBeCloseTo(95, 9);
  });
  it('counts what came off the drive where the rest lay in memory', () => {
    const rates = [outOfMemory, outOfMemory, 80, outOfMemory, 84, outOfMemory, 88, outOfMemory];
    expect(readAt(rates)).toMatchObject({ isAtLeast: false });
    expect(readAt(rates)?.megabytePerSec).toBeCloseTo(84, 9);
  });
  it('does not hold single slow pieces of a quick drive for the drive', () => {
    expect(readAt([900, 900, 40, 900, 900, 900, 50, 900, 900, 900, 900, 900])).toMatchObject({
      megabytePerSec: mostToldMegabytePerSec,
      isAtLeast: true,
    });
  });
  it('tells less in a browser that passes memory on slowly, and says so', () => {
    const told = (rate: number) => readAt([rate, rate, rate], 100);
    expect(told(60)?.megabytePerSec).toBeCloseTo(60, 9);
    expect(told(60)?.isAtLeast).toBe(false);
    expect(told(300)).toMatchObject({ megabytePerSec: 200, isAtLeast: true });
  });
  it('has none without pieces, and a finite one however quick they come', () => {
    expect(computeFileRead([], againAt(400))).toBeNull();
    const atOnce = [{ bytes: 8e6, elapsedMs: 0 }];
    expect(computeFileRead(atOnce, atOnce)).toMatchObject({ megabytePerSec: mostToldMegabytePerSec, isAtLeast: true });
  });
});

describe('measureReading', () => {
  const readAt = (rate: number, isAtLeast = false) => ({ fileRead: fileReadAt(rate, isAtLeast) });
  it('takes the middle of what tells, and nothing of what may have lain in memory', () => {
    expect(measureReading([readAt(90), { fileRead: null }, readAt(350, true), readAt(110), readAt(100)])).toBe(100);
    expect(measureReading([{ fileRead: null }, readAt(350, true)])).toBeNull();
    expect(measureReading([])).toBeNull();
  });
});
