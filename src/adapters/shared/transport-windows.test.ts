import { describe, expect, it } from 'vitest';
import { readTransportPicture, readWholeTransport } from './transport-windows';

const mapPid = 0x100;
const picturePid = 0x101;

/** A packet of a transport stream: a start has the mark for it, and what is short is filled in front. */
function packet(pid: number, isStart: boolean, payload: readonly number[]): readonly number[] {
  const room = 184 - payload.length;
  const adaptation = room === 0 ? [] : room === 1 ? [0] : [room - 1, 0, ...Array<number>(room - 2).fill(0xff)];
  return [0x47, (isStart ? 0x40 : 0) | (pid >> 8), pid & 0xff, room === 0 ? 0x10 : 0x30, ...adaptation, ...payload];
}

/** A table section in as many packets as it takes. */
function section(pid: number, bytes: readonly number[]): readonly number[] {
  const all = [0, ...bytes];
  return Array.from({ length: Math.ceil(all.length / 184) }, (_, i) =>
    packet(pid, i === 0, all.slice(184 * i, 184 * (i + 1))),
  ).flat();
}

const checkSum = [0, 0, 0, 0];
const programs = [0x00, 0xb0, 13, 0, 1, 0xc1, 0, 0, 0, 1, 0xe0 | (mapPid >> 8), mapPid & 0xff, ...checkSum];

/** A program map with so many bytes of descriptors before the picture's line. */
function programMap(descriptorBytes: number): readonly number[] {
  const length = 9 + descriptorBytes + 5 + 4;
  return [
    0x02,
    0xb0 | (length >> 8),
    length & 0xff,
    ...[0, 1, 0xc1, 0, 0],
    ...[0xe0 | (picturePid >> 8), picturePid & 0xff],
    ...[0xf0 | (descriptorBytes >> 8), descriptorBytes & 0xff],
    ...Array<number>(descriptorBytes).fill(0x55),
    ...[27, 0xe0 | (picturePid >> 8), picturePid & 0xff, 0xf0, 0],
    ...checkSum,
  ];
}

/** One frame in one packet, shown at so many ticks. */
function frame(ticks: number): readonly number[] {
  const bits = (shift: number, count: number): number => Math.floor(ticks / 2 ** shift) % 2 ** count;
  const stamp = [0x21 | (bits(30, 3) << 1), bits(22, 8), 1 | (bits(15, 7) << 1), bits(7, 8), 1 | (bits(0, 7) << 1)];
  return packet(picturePid, true, [0, 0, 1, 0xe0, 0, 0, 0x80, 0x80, 5, ...stamp, 0, 0, 1, 0x65, 1, 2, 3]);
}

const sourceOf = (bytes: readonly number[]) => {
  const all = Uint8Array.from(bytes);
  return {
    fileName: 'made.ts',
    sizeBytes: all.length,
    read: async (from: number, to: number) => all.slice(from, to),
    checkState: async () => 'same' as const,
  };
};

describe('a transport stream', () => {
  it('counts on where its stamps begin again', async () => {
    const last = 2 ** 33;
    const shownAt = [last - 7200, last - 3600, 0, 3600, 7200];
    const frames = await readWholeTransport(
      sourceOf([...section(0, programs), ...section(mapPid, programMap(0)), ...shownAt.flatMap(frame)]),
    );
    const startMs = frames?.[0]?.presentationMs ?? 0;
    expect(frames?.map(({ presentationMs }) => Math.round(presentationMs - startMs))).toEqual([0, 40, 80, 120, 160]);
  });

  it('keeps the order of pictures that are shown before the one they are stored behind', async () => {
    const last = 2 ** 33;
    const frames = await readWholeTransport(
      sourceOf([
        ...section(0, programs),
        ...section(mapPid, programMap(0)),
        ...[last - 3600, 7200, 0, 3600].flatMap(frame),
      ]),
    );
    const startMs = frames?.[0]?.presentationMs ?? 0;
    expect(frames?.map(({ presentationMs }) => Math.round(presentationMs - startMs))).toEqual([0, 120, 40, 80]);
  });

  it('is understood where its program map runs over several packets', async () => {
    for (const descriptorBytes of [0, 150, 168, 400, 900]) {
      const bytes = [...section(0, programs), ...section(mapPid, programMap(descriptorBytes)), ...frame(90_000)];
      const picture = await readTransportPicture(sourceOf([...bytes, ...frame(93_600)]));
      expect([descriptorBytes, picture?.codec]).toEqual([descriptorBytes, 'avc']);
    }
  });

  it('is nothing where its program map breaks off', async () => {
    const whole = section(mapPid, programMap(400));
    const bytes = [...section(0, programs), ...whole.slice(0, 188), ...frame(90_000), ...frame(93_600)];
    expect(await readTransportPicture(sourceOf(bytes))).toBeNull();
    expect(await readWholeTransport(sourceOf(bytes))).toBeNull();
  });
});
