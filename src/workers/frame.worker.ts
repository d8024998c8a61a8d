import { expose, transfer } from 'comlink';
import { grabFrame } from '@/adapters/browser/grab-frame';
import { toProxyFailure } from '@/adapters/browser/proxy-failure';
import { fail, succeed } from '@/core/result';
import type { FrameWorkerApi } from './frame.protocol';

const api: FrameWorkerApi = {
  grab: async (file, facts, atRatio, recipe) => {
    try {
      const grabbed = await grabFrame(file, facts, atRatio, recipe);
      return transfer(succeed(grabbed), grabbed.proxy ? [grabbed.original, grabbed.proxy] : [grabbed.original]);
    } catch (error) {
      return fail(await toProxyFailure(error, file));
    }
  },
};

expose(api);
