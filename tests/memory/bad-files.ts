// Reads damaged files one after another in a process of its own and prints what that took as one JSON line.
// Started by src/adapters/shared/bad-files.test.ts with --expose-gc; takes how many files, and after how many the
// memory is first looked at.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { inspectFile } from '@/adapters/shared/inspect-file';

const [fileCount = 0, firstLook = 0] = process.argv.slice(2).map(Number);
const media = fileURLToPath(new URL('../fixtures/media/', import.meta.url));
const wholes = [
  ...[
    'silent.mp4',
    'fragmented.mp4',
    'half-fragmented.mp4',
    'prores.mov',
    'h264-10bit.mkv',
    'no-cues.mkv',
    'vp9.webm',
    'h264.ts',
  ],
  ...['bowl.png', 'bowl.heic', 'choir.mp3', 'choir.flac', 'old-camera.avi', 'mpeg2.mov', 'mjpeg-420.mkv'],
].map((name) => readFileSync(`${media}${name}`));

/** A whole file, cut and with bytes changed: in its head, in its tail, or anywhere. */
const damaged = fc
  .record({
    whole: fc.constantFrom(...wholes),
    keptRatio: fc.oneof(fc.constant(1), fc.double({ min: 0.001, max: 1, noNaN: true })),
    where: fc.constantFrom('head', 'tail', 'anywhere'),
    flips: fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.integer({ min: 0, max: 255 })), {
      minLength: 1,
      maxLength: 20,
    }),
  })
  .map(({ whole, keptRatio, where, flips }) => {
    const bytes = Uint8Array.from(whole.subarray(0, Math.max(1, Math.ceil(whole.length * keptRatio))));
    for (const [place, value] of flips) {
      const at = where === 'anywhere' ? place : where === 'head' ? place ** 6 : 1 - place ** 6;
      bytes[Math.min(bytes.length - 1, Math.floor(at * bytes.length))] = value;
    }
    return bytes;
  });

/** Buffers are given back a turn after what held them. */
const collect = async (): Promise<void> => {
  for (let i = 0; i < 3; i++) {
    (Reflect.get(globalThis, 'gc') as () => void)();
    await new Promise((resolve) => setImmediate(resolve));
  }
};
const heldBytes = (): number => process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;

const files = fc.sample(damaged, { seed: 20261125, numRuns: 400 });
let worstMs = 0;
let thrownCount = 0;
let failedCount = 0;
let mostBytesRead = 0;
let mostHeldBytes = 0;
let firstRssBytes = 0;
let firstHeldBytes = 0;
for (let i = 0; i < fileCount; i++) {
  const bytes = files[i % files.length] as Uint8Array;
  if (i === firstLook) {
    await collect();
    firstRssBytes = process.memoryUsage().rss;
    firstHeldBytes = heldBytes();
  }
  const before = heldBytes();
  const startedMs = performance.now();
  try {
    const { result, bytesRead } = await inspectFile({
      fileName: `bad-${i}`,
      sizeBytes: bytes.length,
      read: async (start, end) => bytes.slice(start, end),
      checkState: async () => 'same',
    });
    if (!result.ok) failedCount += 1;
    mostBytesRead = Math.max(mostBytesRead, bytesRead);
  } catch {
    thrownCount += 1;
  }
  worstMs = Math.max(worstMs, performance.now() - startedMs);
  mostHeldBytes = Math.max(mostHeldBytes, heldBytes() - before);
}
await collect();
process.stdout.write(
  `${JSON.stringify({
    fileCount,
    // Named here, so that the files are still held when the memory is looked at.
    damagedCount: files.length,
    thrownCount,
    failedCount,
    worstMs,
    mostBytesRead,
    mostHeldMib: mostHeldBytes / 2 ** 20,
    heldGrownMib: (heldBytes() - firstHeldBytes) / 2 ** 20,
    grownMib: (process.memoryUsage().rss - firstRssBytes) / 2 ** 20,
  })}\n`,
);
