import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { loadPracticeFiles } from '@/demo/load-practice';
import { ChannelWorker } from '../../tests/stand-ins/channel-worker';
import type { JobCard } from '../core/card';
import { measurePractice, type PracticeFile } from '../core/practice';
import { measureInWorker } from './practice.client';

let card: JobCard;
let practice: PracticeFile;
beforeAll(async () => {
  const [firstCard] = await loadDemoCards();
  const [firstFile] = await loadPracticeFiles();
  if (!firstCard || !firstFile) throw new Error('no demo card');
  card = firstCard;
  practice = firstFile;
});

describe('measureInWorker', () => {
  it('hands back what was measured, and ends its worker', async () => {
    const worker = new ChannelWorker({
      measure: () => ({ measured: measurePractice(card, practice, 0), computeMs: 1 }),
    });
    const measured = await measureInWorker(card, practice, 0, () => worker as unknown as Worker);
    expect(measured.ok).toBe(true);
    expect(worker.isTerminated).toBe(true);
  });

  it('says so where the worker breaks or takes too long', async () => {
    const silent = () => new ChannelWorker({ measure: () => new Promise<never>(() => undefined) });
    const slow = silent();
    expect(await measureInWorker(card, practice, 0, () => slow as unknown as Worker, 30)).toMatchObject({
      failure: { code: 'practice-broke' },
    });
    const broken = silent();
    const asked = measureInWorker(card, practice, 0, () => broken as unknown as Worker);
    broken.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    expect(await asked).toEqual({ ok: false, failure: { code: 'practice-broke', detail: 'out of memory' } });
    expect(broken.isTerminated).toBe(true);
  });
});
