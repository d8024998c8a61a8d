import { spawn } from 'node:child_process';
import { createRandom } from '@/core/numbers/random';
import { drawRecording, type RecordingPlan } from './recordings';

/** How a screen is filmed: the phone stands on something, or is held. */
export type Filming = 'standing' | 'held';

/** What a phone films, in its own pixels; the window's pixels are of the size that the scaling below gives them. */
const filmedSize = { widthPx: 960, heightPx: 540 } as const;
const pixelsPerWindowPx = 1.35;
/** Nobody holds a phone quite level, nor sets one down so; in radians. */
const tilt = 0.02;
/** What lies around the window: the screen's edge, in grey levels. */
const edgeLevel = 14;

/** The plan in the pixels of what is filmed; the region but for the phone's tilt of about a degree. */
export function filmedPlan(plan: RecordingPlan): RecordingPlan {
  const { region, widthPx, heightPx } = plan;
  const at = (px: number, window: number, filmed: number): number =>
    Math.round((px - window / 2) * pixelsPerWindowPx + filmed / 2);
  return {
    ...plan,
    ...filmedSize,
    region: {
      xPx: at(region.xPx, widthPx, filmedSize.widthPx),
      yPx: at(region.yPx, heightPx, filmedSize.heightPx),
      widthPx: Math.round(region.widthPx * pixelsPerWindowPx),
      heightPx: Math.round(region.heightPx * pixelsPerWindowPx),
    },
  };
}

/** Where a phone is, against where it would stand: in filmed pixels, radians, and how much nearer. */
interface Pose {
  readonly xPx: number;
  readonly yPx: number;
  readonly turn: number;
  readonly nearness: number;
}

const stillPose: Pose = { xPx: 0, yPx: 0, turn: 0, nearness: 0 };
/**
 * A hand sways by one part in a hundred of the picture about once in three seconds, more quickly by less, and trembles at eight
 * times a second; it turns by a quarter of a degree, and comes nearer by half a hundredth. Assumption.
 */
const heldPose = (sec: number, phase: number): Pose => ({
  xPx: 6 * Math.sin(2.1 * sec + phase) + 2.5 * Math.sin(5.3 * sec + 1) + 0.4 * Math.sin(50 * sec + phase),
  yPx: 5 * Math.sin(1.7 * sec + 2 * phase) + 2 * Math.sin(6.1 * sec + 2) + 0.4 * Math.sin(47 * sec + 1),
  turn: 0.004 * Math.sin(1.3 * sec + phase) + 0.001 * Math.sin(7 * sec),
  nearness: 0.005 * Math.sin(0.9 * sec + phase),
});

/** A frame of the window at a place between its pixels; beyond it, the screen's edge. */
function levelAt(frame: Uint8Array, widthPx: number, heightPx: number, x: number, y: number): number {
  const left = Math.floor(x);
  const top = Math.floor(y);
  if (left < 0 || top < 0 || left >= widthPx - 1 || top >= heightPx - 1) return edgeLevel;
  const at = top * widthPx + left;
  const fx = x - left;
  const upper = (frame[at] as number) + ((frame[at + 1] as number) - (frame[at] as number)) * fx;
  const lower =
    (frame[at + widthPx] as number) + ((frame[at + widthPx + 1] as number) - (frame[at + widthPx] as number)) * fx;
  return upper + (lower - upper) * (y - top);
}

/**
 * Draws a planned recording as a phone films it from the screen: each of its frames is lit for a part of its time, and
 * what the screen shows changes while it is lit, later in each line below, and so does where a held phone is; with its
 * noise and its encoding. Rejects where ffmpeg fails.
 */
export async function filmRecording(plan: RecordingPlan, path: string, filming: Filming): Promise<void> {
  const { widthPx, heightPx, recordedFps, seed } = plan;
  const random = createRandom(seed * 31 + 7);
  /** Shares of a frame's time: for how long each line is lit, and how much later the last one is than the first. */
  const litRatio = random.between(0.3, 1);
  const rollRatio = random.between(0.2, 0.6);
  const size = `${filmedSize.widthPx}x${filmedSize.heightPx}`;
  const raw = ['-f', 'rawvideo', '-pix_fmt', 'gray', '-s', size, '-r', String(recordedFps), '-i', '-'];
  const lens = ['-vf', `gblur=0.7,noise=alls=${random.whole(6, 16)}:allf=t`];
  const encoding = ['-pix_fmt', 'yuv420p', '-c:v', 'libx264', '-preset', 'veryfast', '-b:v', '8M', '-bf', '0'];
  const child = spawn('ffmpeg', ['-v', 'error', '-y', ...raw, ...lens, ...encoding, path], {
    stdio: ['pipe', 'inherit', 'inherit'],
  });
  const isDone = new Promise<void>((resolve, reject) => {
    child.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`ffmpeg ended with ${code}`))));
  });
  const isNew = new Set(plan.newAtFrames);
  const before = new Uint8Array(widthPx * heightPx);
  let index = 0;
  await drawRecording(plan, (frame) => {
    // A picture comes at some moment of the frame's time; lines that were lit before it still show the one before.
    const comesAt = random.between(0, 1);
    const filmed = new Uint8Array(filmedSize.widthPx * filmedSize.heightPx);
    for (let line = 0; line < filmedSize.heightPx; line++) {
      const rolled = (rollRatio * line) / filmedSize.heightPx;
      const litFrom = 1 - litRatio + rolled - rollRatio;
      const oldRatio = isNew.has(index) ? Math.max(0, Math.min(1, (comesAt - litFrom) / litRatio)) : 0;
      const pose = filming === 'held' ? heldPose((index + rolled) / recordedFps, seed % 6) : stillPose;
      const perPx = 1 / (pixelsPerWindowPx * (1 + pose.nearness));
      const [right, down] = [Math.cos(tilt + pose.turn) * perPx, -Math.sin(tilt + pose.turn) * perPx];
      const fromCentreY = line - filmedSize.heightPx / 2 + pose.yPx;
      for (let column = 0; column < filmedSize.widthPx; column++) {
        const fromCentreX = column - filmedSize.widthPx / 2 + pose.xPx;
        const x = widthPx / 2 + fromCentreX * right - fromCentreY * down;
        const y = heightPx / 2 + fromCentreX * down + fromCentreY * right;
        const now = levelAt(frame, widthPx, heightPx, x, y);
        filmed[line * filmedSize.widthPx + column] =
          oldRatio === 0 ? now : now + (levelAt(before, widthPx, heightPx, x, y) - now) * oldRatio;
      }
    }
    before.set(frame);
    index++;
    return new Promise((resolve) => child.stdin.write(filmed, () => resolve()));
  });
  child.stdin.end();
  await isDone;
}
