import { hasFfmpeg, readPicturesByFfmpeg } from '@/adapters/node/ffmpeg-pictures';
import { openFileSource } from '@/adapters/node/file-source';
import { openInput, type ReadOutline, readTimeline } from '@/adapters/shared/read-timeline';
import { checkProxy, gatherPlaces } from '@/core/proxies';
import type { CommandOutput } from './output';

/** What a file is compared by, or why it cannot be read. */
async function readPath(path: string): Promise<ReadOutline | { readonly detail: string }> {
  const source = await openFileSource(path).catch((error: Error) => error);
  if (source instanceof Error) return { detail: source.message };
  try {
    const input = await openInput(source);
    const read = await readTimeline(input).catch((error: Error) => ({ detail: error.message }));
    input.dispose();
    return read ?? { detail: 'no picture in it' };
  } finally {
    await source.close();
  }
}

const unreadable = (code: 'original-unreadable' | 'proxy-unreadable', detail: string): CommandOutput => ({
  exitCode: 1,
  json: { failure: { code, detail } },
});

/** `check-proxy ORIGINAL PROXY`: what is wrong with a proxy. Pictures are compared where ffmpeg is on the path. */
export async function checkProxyCommand(originalPath: string, proxyPath: string): Promise<CommandOutput> {
  const [original, proxy] = [await readPath(originalPath), await readPath(proxyPath)];
  if ('detail' in original) return unreadable('original-unreadable', original.detail);
  if ('detail' in proxy) return unreadable('proxy-unreadable', proxy.detail);
  try {
    const places = (await hasFfmpeg())
      ? await gatherPlaces(
          { ...original, read: (...asked) => readPicturesByFfmpeg(originalPath, ...asked) },
          { ...proxy, read: (...asked) => readPicturesByFfmpeg(proxyPath, ...asked) },
        )
      : [];
    return { exitCode: 0, json: checkProxy(original.outline, proxy.outline, places) };
  } catch (error) {
    return unreadable('proxy-unreadable', error instanceof Error ? error.message : String(error));
  }
}
