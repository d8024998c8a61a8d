import { spawn } from 'node:child_process';
import { createRandom } from '@/core/numbers/random';
import { drawRecording, type RecordingPlan } from './recordings';

/** How a screen is filmed: the phone stands on something, or is held. */
export type Filming = 'standing' | 'held';

/** What a phone films, in its own pixels; the window's pixels are of the size that the scaling below gives them. */
const filmedSize = { widthPx: 960, heightPx: 540 } as const;
const pixelsPerWindowPx = 1.35;

/** The plan in the pixels of what is filmed; the part but for the phone's tilt of about a degree. */
export function filmedPlan(plan: RecordingPlan): RecordingPlan {
  const { part, widthPx, heightPx } = plan;
  const at = (px: number, window: number, filmed: number): number =>
    Math.round((px - window / 2) * pixelsPerWindowPx + filmed / 2);
  return {
    ...plan,
    ...filmedSize,
    part: {
      xPx: at(part.xPx, widthPx, filmedSize.widthPx),
      yPx: at(part.yPx, heightPx, filmedSize.heightPx),
      widthPx: Math.round(part.widthPx * pixelsPerWindowPx),
      heightPx: Math.round(part.heightPx * pixelsPerWindowPx),
    },
  };
}

/** A held phone is drawn twice as large as needed, so that it moves by half pixels. */
const enlargements: Readonly<Record<Filming, number>> = { standing: 1, held: 2 };
const shakePx = (filming: Filming, slow: number, quick: number, phase: number): string =>
  filming === 'standing'
    ? '0'
    : `(${enlargements[filming]}*(4*sin(${slow}*t+${phase})+2*sin(${quick}*t+1)+0.6*sin(21*t+${phase})))`;

/**
 * Draws a planned recording as a phone films it from the screen: each of its frames is lit for a part of its time, and
 * what the screen shows changes while it is lit, later in each line below; with its lens, its noise and its encoding.
 * Rejects where ffmpeg fails.
 */
export async function filmRecording(plan: RecordingPlan, path: string, filming: Filming): Promise<void> {
  const { widthPx, heightPx, recordedFps, seed } = plan;
  const random = createRandom(seed * 31 + 7);
  /** Shares of a frame's time: for how long each line is lit, and how much later the last one is than the first. */
  const litRatio = random.between(0.3, 1);
  const rollRatio = random.between(0.2, 0.6);
  const { widthPx: filmedWidthPx, heightPx: filmedHeightPx } = filmedSize;
  const enlarge = enlargements[filming];
  const [x, y] = [shakePx(filming, 2.1, 5.3, seed % 6), shakePx(filming, 1.7, 6.1, seed % 5)];
  const filters = [
    `scale=${Math.round(enlarge * pixelsPerWindowPx * widthPx)}:-2`,
    'rotate=0.02:fillcolor=black',
    'pad=iw+400:ih+400:200:200:black',
    `crop=${enlarge * filmedWidthPx}:${enlarge * filmedHeightPx}:(iw-ow)/2+${x}:(ih-oh)/2+${y}`,
    `scale=${filmedWidthPx}:${filmedHeightPx}`,
    'gblur=0.7',
    `noise=alls=${random.whole(6, 16)}:allf=t`,
  ];
  const raw = [
    '-f',
    'rawvideo',
    '-pix_fmt',
    'gray',
    '-s',
    `${widthPx}x${heightPx}`,
    '-r',
    String(recordedFps),
    '-i',
    '-',
  ];
  const encoding = ['-pix_fmt', 'yuv420p', '-c:v', 'libx264', '-preset', 'veryfast', '-b:v', '8M', '-bf', '0'];
  const child = spawn('ffmpeg', ['-v', 'error', '-y', ...raw, '-vf', filters.join(','), ...encoding, path], {
    stdio: ['pipe', 'inherit', 'inherit'],
  });
  const isDone = new Promise<void>((resolve, reject) => {
    child.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`ffmpeg ended with ${code}`))));
  });
  const isNew = new Set(plan.newAtFrames);
  const before = new Uint8Array(widthPx * heightPx);
  const lit = new Uint8Array(widthPx * heightPx);
  let index = 0;
  await drawRecording(plan, (frame) => {
    // A picture comes at some moment of the frame's time; lines that were lit before it still show the one before.
    const comesAt = random.between(0, 1);
    for (let line = 0; line < heightPx; line++) {
      const litFrom = 1 - litRatio + (rollRatio * line) / heightPx - rollRatio;
      const oldRatio = isNew.has(index) ? Math.max(0, Math.min(1, (comesAt - litFrom) / litRatio)) : 0;
      for (let at = line * widthPx; at < (line + 1) * widthPx; at++)
        lit[at] = oldRatio * (before[at] as number) + (1 - oldRatio) * (frame[at] as number);
    }
    before.set(frame);
    index++;
    return new Promise((resolve) => child.stdin.write(lit.slice(), () => resolve()));
  });
  child.stdin.end();
  await isDone;
}
