import { createRandom, type Random } from '@/core/numbers/random';

/** A grey picture. */
export interface Picture {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pixels: Uint8Array;
}

export const sceneKinds = ['shapes', 'grain', 'pan', 'talking-head', 'cuts', 'fade', 'still'] as const;
export type SceneKind = (typeof sceneKinds)[number];

/** Draws what a film shows at a time of its own, in milliseconds, into a picture. */
export type DrawScene = (picture: Picture, atMs: number) => void;

/** Smooth random texture, 0 to 255, that repeats at its edges. */
function createTexture(random: Random, widthPx: number, heightPx: number): Uint8Array {
  const texture = new Float32Array(widthPx * heightPx);
  for (const [cellPx, strength] of [
    [64, 70],
    [24, 40],
    [8, 24],
    [3, 12],
  ] as const) {
    const columns = Math.ceil(widthPx / cellPx);
    const rows = Math.ceil(heightPx / cellPx);
    const knots = Float32Array.from({ length: columns * rows }, () => random.between(-1, 1));
    const knotAt = (column: number, row: number): number =>
      knots[(row % rows) * columns + (column % columns)] as number;
    for (let y = 0; y < heightPx; y++)
      for (let x = 0; x < widthPx; x++) {
        const [column, row] = [Math.floor(x / cellPx), Math.floor(y / cellPx)];
        const [fx, fy] = [x / cellPx - column, y / cellPx - row];
        const top = knotAt(column, row) * (1 - fx) + knotAt(column + 1, row) * fx;
        const bottom = knotAt(column, row + 1) * (1 - fx) + knotAt(column + 1, row + 1) * fx;
        const at = y * widthPx + x;
        texture[at] = (texture[at] as number) + strength * (top * (1 - fy) + bottom * fy);
      }
  }
  return Uint8Array.from(texture, (value) => Math.max(0, Math.min(255, 120 + value)));
}

interface Disc {
  readonly radius: number;
  readonly level: number;
  readonly speed: readonly [number, number];
  readonly phase: readonly [number, number];
}

/** Discs that swing over a background. */
function drawDiscs(
  { widthPx, heightPx, pixels }: Picture,
  background: Uint8Array,
  discs: readonly Disc[],
  atMs: number,
) {
  pixels.set(background.subarray(0, pixels.length));
  for (const { radius, level, speed, phase } of discs) {
    const cx = widthPx * (0.5 + 0.42 * Math.sin(phase[0] + (speed[0] * atMs) / 1000));
    const cy = heightPx * (0.5 + 0.4 * Math.sin(phase[1] + (speed[1] * atMs) / 1000));
    const r = radius * heightPx;
    for (let y = Math.max(0, Math.ceil(cy - r)); y < Math.min(heightPx, cy + r); y++) {
      const half = Math.sqrt(Math.max(0, r * r - (y - cy) ** 2));
      pixels.fill(
        level,
        y * widthPx + Math.max(0, Math.ceil(cx - half)),
        y * widthPx + Math.min(widthPx, Math.max(0, Math.floor(cx + half))),
      );
    }
  }
}

const drawDiscSet = (random: Random): readonly Disc[] =>
  Array.from({ length: 5 }, () => ({
    radius: random.between(0.08, 0.2),
    level: random.whole(20, 240),
    speed: [random.between(0.4, 1.6), random.between(0.4, 1.6)],
    phase: [random.between(0, 6), random.between(0, 6)],
  }));

function createDiscs(random: Random, { widthPx, heightPx }: Picture): DrawScene {
  const background = createTexture(random, widthPx, heightPx);
  const discs = drawDiscSet(random);
  return (picture, atMs) => drawDiscs(picture, background, discs, atMs);
}

/** A camera's noise: another one in every picture. */
function addGrain({ pixels }: Picture, seed: number, strength: number): void {
  let state = (seed * 2_654_435_761) >>> 0;
  for (let i = 0; i < pixels.length; i++) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    const noise = ((state >>> 16) / 65_536 - 0.5) * 2 * strength;
    pixels[i] = Math.max(0, Math.min(255, (pixels[i] as number) + noise));
  }
}

function createPan(random: Random, { widthPx, heightPx }: Picture): DrawScene {
  const texture = createTexture(random, widthPx * 2, heightPx);
  const pxPerSec = random.between(10, 40);
  return (picture, atMs) => {
    const offset = (pxPerSec * atMs) / 1000;
    const whole = Math.floor(offset);
    const rest = offset - whole;
    for (let y = 0; y < heightPx; y++)
      for (let x = 0; x < widthPx; x++) {
        const from = y * widthPx * 2;
        const a = texture[from + ((x + whole) % (widthPx * 2))] as number;
        const b = texture[from + ((x + whole + 1) % (widthPx * 2))] as number;
        picture.pixels[y * widthPx + x] = a + (b - a) * rest;
      }
  };
}

/** Somebody who speaks before a wall: only head and mouth move, and not far. */
function createTalkingHead(random: Random, { widthPx, heightPx }: Picture): DrawScene {
  const wall = createTexture(random, widthPx, heightPx);
  const face = createTexture(random, 128, 128);
  const [sway, nod, talk] = [random.between(1, 2), random.between(0.7, 1.6), random.between(6, 11)];
  const size = heightPx * random.between(0.22, 0.3);
  return ({ pixels }, atMs) => {
    pixels.set(wall);
    const sec = atMs / 1000;
    const cx = widthPx / 2 + size * 0.18 * Math.sin(sway * sec);
    const cy = heightPx * 0.48 + size * 0.12 * Math.sin(nod * sec + 1);
    const mouth = size * (0.05 + 0.1 * Math.abs(Math.sin(talk * sec) * Math.sin(1.7 * sec)));
    for (let y = Math.max(0, Math.floor(cy - size * 1.3)); y < Math.min(heightPx, cy + size * 1.3); y++)
      for (let x = Math.max(0, Math.floor(cx - size)); x < Math.min(widthPx, cx + size); x++) {
        const [dx, dy] = [(x - cx) / size, (y - cy) / (1.3 * size)];
        if (dx * dx + dy * dy > 1) continue;
        const isMouth = Math.abs(x - cx) < size * 0.3 && Math.abs(y - cy - size * 0.6) < mouth;
        const texel = face[(Math.floor((dy + 1) * 63) * 128 + Math.floor((dx + 1) * 63)) % face.length] as number;
        pixels[y * widthPx + x] = isMouth ? 40 : 70 + texel * 0.6;
      }
  };
}

function createCuts(random: Random, picture: Picture): DrawScene {
  const scenes = Array.from({ length: 4 }, () => createDiscs(random, picture));
  const everyMs = random.between(900, 2600);
  return (into, atMs) => (scenes[Math.floor(atMs / everyMs) % scenes.length] as DrawScene)(into, atMs);
}

function createFade(random: Random, picture: Picture): DrawScene {
  const scene = createDiscs(random, picture);
  return (into, atMs) => {
    scene(into, atMs);
    const brightness = 0.55 + 0.45 * Math.cos(atMs / 900);
    for (let i = 0; i < into.pixels.length; i++) into.pixels[i] = (into.pixels[i] as number) * brightness;
  };
}

/** A scene of a kind, at a picture's size; the same seed draws the same film. */
export function createScene(kind: SceneKind, picture: Picture, seed: number): DrawScene {
  const random = createRandom(seed);
  switch (kind) {
    case 'shapes':
      return createDiscs(random, picture);
    case 'grain': {
      const scene = createDiscs(random, picture);
      const strength = random.between(4, 10);
      return (into, atMs) => {
        scene(into, atMs);
        addGrain(into, Math.round(atMs * 7) + seed, strength);
      };
    }
    case 'pan':
      return createPan(random, picture);
    case 'talking-head':
      return createTalkingHead(random, picture);
    case 'cuts':
      return createCuts(random, picture);
    case 'fade':
      return createFade(random, picture);
    case 'still': {
      const scene = createDiscs(random, picture);
      return (into) => scene(into, 0);
    }
    default:
      return kind satisfies never;
  }
}
