import type { CaptureFailure } from '@/core/meter';
import { fail, type Result, succeed } from '@/core/result';

/** A window, screen or tab that the person shares with Oil Can. */
export interface SharedWindow {
  readonly stream: MediaStream;
  /** The most frames a second that come; null where the browser does not say. */
  readonly ceilingFps: number | null;
  /** Its frames from now on, to be handed to a worker; `close` ends what gives them, and the window stays shared. */
  readonly openFrames: () => { readonly frames: ReadableStream<VideoFrame>; readonly close: () => void };
  readonly onEnded: (listener: () => void) => void;
  readonly stop: () => void;
}

/**
 * Small pictures are enough to tell new ones from old, and every pixel costs the machine that is being measured: at 1280
 * by 720 measuring took a whole core here, and missed more than half of the frames.
 */
const asked = { frameRate: { ideal: 60 }, width: { max: 640 }, height: { max: 400 }, cursor: 'never' } as const;

/**
 * So many frames wait for who reads them, where browsers keep one unasked: a moment without the processor then loses none.
 * Browsers have about ten to share with, and stop sharing while all of them wait.
 */
const mostWaiting = 5;

/** Whether this browser can hand a shared window's frames to the page. */
export const canShareWindow = (): boolean =>
  Boolean(navigator.mediaDevices?.getDisplayMedia) && typeof MediaStreamTrackProcessor !== 'undefined';

/** Asks the person for a window. Never rejects. To be called from a press. */
export async function shareWindow(): Promise<Result<SharedWindow, CaptureFailure>> {
  if (!canShareWindow()) return fail({ code: 'capture-unsupported' });
  try {
    const stream = await navigator.mediaDevices.getDisplayMedia({ video: asked, audio: false });
    const [track] = stream.getVideoTracks();
    if (!track) return fail({ code: 'capture-silent' });
    return succeed({
      stream,
      ceilingFps: track.getSettings().frameRate ?? null,
      openFrames: () => {
        const own = track.clone() as MediaStreamVideoTrack;
        return {
          frames: new MediaStreamTrackProcessor({ track: own, maxBufferSize: mostWaiting }).readable,
          close: () => own.stop(),
        };
      },
      onEnded: (listener) => track.addEventListener('ended', listener),
      stop: () => {
        for (const each of stream.getTracks()) each.stop();
      },
    });
  } catch (error) {
    const isRefused = error instanceof DOMException && ['NotAllowedError', 'AbortError'].includes(error.name);
    if (isRefused) return fail({ code: 'capture-refused' });
    return fail({ code: 'capture-broke', detail: error instanceof Error ? error.message : String(error) });
  }
}
