import { expose } from 'comlink';
import { testPlay } from '@/adapters/browser/test-play';
import type { TestPlayWorkerApi } from './test-play.protocol';

const api: TestPlayWorkerApi = {
  testPlay: (file, facts, onProgress) =>
    testPlay(
      { createDecoder: (init) => new VideoDecoder(init), nowMs: () => performance.now() },
      file,
      facts,
      onProgress,
    ),
};

expose(api);
