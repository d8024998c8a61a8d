import { createRandom, type Random } from '@/core/numbers/random';
import { createScene, type Picture, type SceneKind } from './scenes';

/** How a recording is written: what recorders do while they record, or somebody's strong compression afterwards. */
export interface Encoding {
  readonly id: string;
  readonly isStrong: boolean;
  readonly isHeldOut: boolean;
  readonly options: readonly string[];
}

export const encodings: readonly Encoding[] = [
  {
    id: 'live-quick',
    isStrong: false,
    isHeldOut: false,
    options: ['-c:v', 'libx264', '-preset', 'ultrafast', '-tune', 'zerolatency', '-crf', '23'],
  },
  {
    id: 'live-rate',
    isStrong: false,
    isHeldOut: false,
    options: [
      '-c:v',
      'libx264',
      '-preset',
      'superfast',
      '-bf',
      '0',
      '-b:v',
      '2500k',
      '-maxrate',
      '2500k',
      '-bufsize',
      '2500k',
    ],
  },
  {
    id: 'strong',
    isStrong: true,
    isHeldOut: false,
    options: ['-c:v', 'libx264', '-preset', 'medium', '-crf', '34', '-bf', '3'],
  },
  {
    id: 'live-vp8',
    isStrong: false,
    isHeldOut: true,
    options: ['-c:v', 'libvpx', '-deadline', 'realtime', '-cpu-used', '8', '-b:v', '3M'],
  },
  {
    id: 'live-veryfast',
    isStrong: false,
    isHeldOut: true,
    options: ['-c:v', 'libx264', '-preset', 'veryfast', '-tune', 'zerolatency', '-crf', '27', '-g', '120'],
  },
  {
    id: 'strong-slow',
    isStrong: true,
    isHeldOut: true,
    options: ['-c:v', 'libx264', '-preset', 'faster', '-crf', '38', '-bf', '5', '-b_strategy', '2'],
  },
];

export const patterns = ['regular', 'bursty', 'freezes'] as const;
export type Pattern = (typeof patterns)[number];

/** One recording to be made, with what is true of it. */
export interface RecordingPlan {
  readonly seed: number;
  readonly scene: SceneKind;
  readonly pattern: Pattern;
  readonly encoding: Encoding;
  readonly recordedFps: 30 | 60;
  readonly frameCount: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly region: { readonly xPx: number; readonly yPx: number; readonly widthPx: number; readonly heightPx: number };
  /** Index of the recorded frame in which each new picture is first seen. */
  readonly newAtFrames: readonly number[];
}

/** What a preview shows: the moments at which new pictures come, in milliseconds. */
function drawShownTimes(random: Random, pattern: Pattern, recordedFps: number, lengthMs: number): readonly number[] {
  const most = 0.85 * recordedFps;
  const baseFps = pattern === 'freezes' ? random.between(10, most) : random.between(2, most);
  const times: number[] = [];
  let atMs = random.between(0, 300);
  let isSlow = false;
  let untilMs = atMs + random.between(300, 1200);
  let freezeAtMs = atMs + random.between(1000, 3000);
  while (atMs < lengthMs) {
    times.push(atMs);
    const jitter = random.between(0.92, 1.08);
    if (pattern === 'bursty' && atMs > untilMs) {
      isSlow = !isSlow;
      untilMs = atMs + random.between(300, 1200);
    }
    const stepMs = ((pattern === 'bursty' && isSlow ? 2.6 : 1) * 1000 * jitter) / baseFps;
    if (pattern === 'freezes' && atMs > freezeAtMs) {
      atMs += random.between(100, 3000);
      freezeAtMs = atMs + random.between(1200, 3500);
    } else atMs += stepMs;
  }
  return times;
}

/** A plan drawn from a seed. */
export function planRecording(seed: number, scene: SceneKind, encoding: Encoding): RecordingPlan {
  const random = createRandom(seed * 6007 + 11);
  const recordedFps = random.pick([30, 60] as const);
  const pattern = random.pick(patterns);
  const frameCount = recordedFps * 12;
  const widthPx = 640;
  const heightPx = 360;
  const regionWidthPx = 16 * random.whole(14, 26);
  const regionHeightPx = Math.round((regionWidthPx * 9) / 16);
  const region = {
    xPx: random.whole(10, widthPx - regionWidthPx - 10),
    yPx: random.whole(10, heightPx - regionHeightPx - 60),
    widthPx: regionWidthPx,
    heightPx: regionHeightPx,
  };
  const lengthMs = (frameCount * 1000) / recordedFps;
  const newAtFrames =
    scene === 'still'
      ? []
      : [
          ...new Set(
            drawShownTimes(random, pattern, recordedFps, lengthMs).map((ms) => Math.ceil((ms * recordedFps) / 1000)),
          ),
        ].filter((frame) => frame < frameCount);
  return { seed, scene, pattern, encoding, recordedFps, frameCount, widthPx, heightPx, region, newAtFrames };
}

/** The same recording of a screen with so many times the pixels a side. */
export function enlargedPlan(plan: RecordingPlan, times: number): RecordingPlan {
  const { region } = plan;
  return {
    ...plan,
    widthPx: plan.widthPx * times,
    heightPx: plan.heightPx * times,
    region: {
      xPx: region.xPx * times,
      yPx: region.yPx * times,
      widthPx: region.widthPx * times,
      heightPx: region.heightPx * times,
    },
  };
}

const paste = (window: Picture, picture: Picture, xPx: number, yPx: number): void => {
  for (let y = 0; y < picture.heightPx; y++)
    window.pixels.set(
      picture.pixels.subarray(y * picture.widthPx, (y + 1) * picture.widthPx),
      (yPx + y) * window.widthPx + xPx,
    );
};

const fillRect = (
  window: Picture,
  xPx: number,
  yPx: number,
  widthPx: number,
  heightPx: number,
  level: number,
): void => {
  for (let y = Math.max(0, yPx); y < Math.min(window.heightPx, yPx + heightPx); y++)
    window.pixels.fill(
      level,
      y * window.widthPx + Math.max(0, xPx),
      y * window.widthPx + Math.max(0, Math.min(window.widthPx, xPx + widthPx)),
    );
};

/** Draws the window frame by frame; hands each to `write`, which may keep nothing of it. */
export async function drawRecording(plan: RecordingPlan, write: (frame: Uint8Array) => Promise<void>): Promise<void> {
  const { seed, widthPx, heightPx, region, recordedFps } = plan;
  const random = createRandom(seed + 5);
  const picture: Picture = { ...region, pixels: new Uint8Array(region.widthPx * region.heightPx) };
  const draw = createScene(plan.scene, picture, seed);
  const still: Picture = { widthPx, heightPx, pixels: new Uint8Array(widthPx * heightPx).fill(58) };
  // Panels, with rows of what stands for words.
  for (let i = 0; i < 60; i++)
    fillRect(
      still,
      random.whole(0, widthPx),
      random.whole(0, heightPx),
      random.whole(10, 60),
      4,
      random.whole(90, 200),
    );
  fillRect(still, 0, heightPx - 44, widthPx, 44, 36);
  for (let i = 0; i < 9; i++)
    fillRect(
      still,
      random.whole(0, widthPx),
      heightPx - 40 + 13 * (i % 3),
      random.whole(30, 160),
      10,
      random.whole(70, 150),
    );
  const isNew = new Set(plan.newAtFrames);
  draw(picture, 0);
  for (let frame = 0; frame < plan.frameCount; frame++) {
    const atMs = (frame * 1000) / recordedFps;
    const window: Picture = { widthPx, heightPx, pixels: still.pixels.slice() };
    if (isNew.has(frame)) draw(picture, atMs);
    paste(window, picture, region.xPx, region.yPx);
    // A clock that counts seconds, a playhead and a cursor move whatever the picture does.
    for (let digit = 0; digit < 4; digit++)
      fillRect(window, 8 + 9 * digit, 4, 7, 5, 60 + 30 * ((Math.floor(atMs / 10 ** (3 - digit)) + digit) % 6));
    fillRect(window, Math.round((atMs / 14_000) * widthPx), heightPx - 44, 2, 44, 240);
    fillRect(
      window,
      Math.round(widthPx * (0.5 + 0.4 * Math.sin(atMs / 1700 + seed))),
      Math.round(heightPx * 0.95 + 8 * Math.sin(atMs / 900)),
      6,
      9,
      250,
    );
    await write(window.pixels);
  }
}
