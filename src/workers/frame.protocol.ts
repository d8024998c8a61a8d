import type { GrabbedFrame } from '@/adapters/browser/grab-frame';
import type { VideoFacts } from '@/core/footage';
import type { ProxyFailure, ProxyRecipe } from '@/core/proxies';
import type { Result } from '@/core/result';

/** What the frame worker offers: one real picture of a clip. */
export interface FrameWorkerApi {
  readonly grab: (
    file: File,
    facts: VideoFacts,
    atRatio: number,
    recipe: ProxyRecipe | null,
  ) => Promise<Result<GrabbedFrame, ProxyFailure>>;
}
