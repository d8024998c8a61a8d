import { expose } from 'comlink';
import { measureMachine } from '@/adapters/browser/measure-machine';
import { fail, succeed } from '@/core/result';
import type { MachineWorkerApi } from './machine.protocol';

const api: MachineWorkerApi = {
  measure: async (sampleUrl, coreCount, onProgress) => {
    const broke = (detail: string) => fail({ code: 'machine-test-broke' as const, detail });
    if (typeof VideoDecoder === 'undefined') return broke('this browser does not decode for pages');
    try {
      const answer = await fetch(sampleUrl);
      if (!answer.ok) return broke(`the sample clip did not come (${answer.status})`);
      const means = {
        createDecoder: (init: VideoDecoderInit) => new VideoDecoder(init),
        nowMs: () => performance.now(),
      };
      return succeed(await measureMachine(means, await answer.blob(), coreCount, onProgress));
    } catch (error) {
      return broke(error instanceof Error ? error.message : String(error));
    }
  },
};

expose(api);
