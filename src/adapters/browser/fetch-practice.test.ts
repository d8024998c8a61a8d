import { afterEach, describe, expect, it, vi } from 'vitest';
import { loadPracticeFiles } from '@/demo/load-practice';
import { fetchPractice } from './fetch-practice';

afterEach(() => vi.unstubAllGlobals());
const answer = (respond: () => Promise<Response>) => vi.stubGlobal('fetch', respond);

describe('fetchPractice', () => {
  it('finds the file that lies beside a card', async () => {
    const files = await loadPracticeFiles();
    answer(async () => Response.json(files));
    expect(await fetchPractice('demo-effects-bound')).toMatchObject({
      ok: true,
      value: { cardId: 'demo-effects-bound' },
    });
  });

  it('says that it broke where the server is gone, answers an error or something else, or has none', async () => {
    const broken = { ok: false, failure: { code: 'practice-broke' } };
    answer(() => Promise.reject(new TypeError('fetch failed')));
    expect(await fetchPractice('x')).toMatchObject(broken);
    answer(async () => new Response('', { status: 500 }));
    expect(await fetchPractice('x')).toMatchObject(broken);
    answer(async () => new Response('no JSON'));
    expect(await fetchPractice('x')).toMatchObject(broken);
    answer(async () => Response.json([{ format: 'something else' }]));
    expect(await fetchPractice('x')).toMatchObject(broken);
  });
});
