import { expose } from 'comlink';
import { checkMadeProxy } from '@/adapters/browser/check-made-proxy';
import { isAccepted } from '@/adapters/browser/hardware-answer';
import { createGate, makeProxy } from '@/adapters/browser/make-proxy';
import { checkStillProxy, isStillFile, makeStillProxy } from '@/adapters/browser/make-still-proxy';
import { toProxyFailure } from '@/adapters/browser/proxy-failure';
import { beginProxyFile } from '@/adapters/browser/proxy-folder';
import { fail, succeed } from '@/core/result';
import type { ProxyWorkerApi } from './proxy.protocol';

const means = {
  createDecoder: (init: VideoDecoderInit) => new VideoDecoder(init),
  createEncoder: (init: VideoEncoderInit) => new VideoEncoder(init),
  nowMs: () => performance.now(),
  acceptsDecoder: (config: VideoDecoderConfig) => isAccepted(VideoDecoder, config),
  acceptsEncoder: (config: VideoEncoderConfig) => isAccepted(VideoEncoder, config),
};
const gate = createGate();
const stopping = new AbortController();

const api: ProxyWorkerApi = {
  make: async ({ file, facts, recipe, folder, name, isReplacing }, onReport) => {
    try {
      const original = { originalName: file.name, originalSizeBytes: file.size, originalModifiedMs: file.lastModified };
      const begun = await beginProxyFile(folder, { name, recipe, ...original }, isReplacing);
      if (!begun) return fail({ code: 'proxy-name-taken', name });
      const made =
        facts.kind === 'still'
          ? await makeStillProxy({ file, facts, recipe, target: begun.writable, nowMs: means.nowMs })
          : await makeProxy(
              means,
              { file, facts, recipe, target: begun.writable, gate, signal: stopping.signal },
              (progress) => onReport({ kind: 'making', progress }),
            );
      if (!made.ok) {
        await begun.discard();
        return made;
      }
      await begun.finish(made.value.sizeBytes);
      onReport({ kind: 'checking', made: made.value });
      const proxy = await (await folder.getFileHandle(name)).getFile();
      const checked =
        facts.kind === 'still'
          ? await checkStillProxy(file, proxy)
          : await checkMadeProxy(file, proxy, () => onReport({ kind: 'checking', made: made.value }));
      return succeed({ made: made.value, check: checked?.check ?? null });
    } catch (error) {
      return fail(await toProxyFailure(error, file));
    }
  },
  setPaused: (isPaused) => gate.set(isPaused),
  stop: () => stopping.abort(),
  check: async (original, proxy, onReport) => {
    try {
      const checked = isStillFile(original)
        ? await checkStillProxy(original, proxy)
        : await checkMadeProxy(original, proxy, onReport);
      return checked ? succeed(checked) : fail({ code: 'proxy-broke', detail: 'no picture in one of them' });
    } catch (error) {
      return fail(await toProxyFailure(error, original));
    }
  },
};

expose(api);
