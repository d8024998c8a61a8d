import type { ProxyFailure } from '@/core/proxies';

/** Thrown where the reason is known. */
export class ProxyError extends Error {
  constructor(readonly failure: ProxyFailure) {
    super(failure.code);
  }
}

/** What an error of reading, decoding or writing means to a person. */
export async function toProxyFailure(error: unknown, original: File): Promise<ProxyFailure> {
  if (error instanceof ProxyError) return error.failure;
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'QuotaExceededError') return { code: 'proxy-disk-full' };
  if (name === 'NotAllowedError' || name === 'NoModificationAllowedError') return { code: 'proxy-permission-lost' };
  try {
    await original.slice(0, 1).arrayBuffer();
  } catch {
    return { code: 'proxy-original-gone' };
  }
  return { code: 'proxy-broke', detail: error instanceof Error ? `${error.name}: ${error.message}` : String(error) };
}
