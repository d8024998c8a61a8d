import { describe, expect, it } from 'vitest';
import { ChannelWorker } from '../../tests/stand-ins/channel-worker';
import { createJobCard } from '../core/card';
import { diagnose, summariseAnswer } from '../core/diagnose';
import { DiagnosisClient } from './diagnosis.client';
import type { DiagnosisWorkerApi } from './diagnosis.protocol';

const card = createJobCard({ id: 'x', title: 'x', nowMs: 0 });
const diagnosis = diagnose(card, { sampleCount: 300 });
const forever = () => new Promise<never>(() => undefined);
type Work = (requestId: number) => ReturnType<DiagnosisWorkerApi['diagnose']> | Promise<never>;

/** A client whose workers do `works` in turn. */
const clientOf = (works: readonly Work[], limitMs = 5000) => {
  const workers: ChannelWorker[] = [];
  const client = new DiagnosisClient(() => {
    const worker = new ChannelWorker({ diagnose: works[workers.length] ?? forever });
    workers.push(worker);
    return worker as unknown as Worker;
  }, limitMs);
  return { client, workers };
};
const summary = summariseAnswer(card, diagnosis);
const answer: Work = (requestId) => ({ requestId, diagnosis, summary, computeMs: 1 });

describe('DiagnosisClient', () => {
  it('answers one question after another with one worker', async () => {
    const { client, workers } = clientOf([answer]);
    expect(await client.ask(card)).toMatchObject({ ok: true, value: { requestId: 1 } });
    expect(await client.ask(card)).toMatchObject({ ok: true, value: { requestId: 2 } });
    expect(workers).toHaveLength(1);
  });

  it('drops what is under way when a newer question is put', async () => {
    const { client, workers } = clientOf([forever, answer]);
    const old = client.ask(card);
    expect(await client.ask(card)).toMatchObject({ ok: true, value: { requestId: 2 } });
    expect(await old).toEqual({ ok: false, failure: { code: 'diagnosis-stale' } });
    expect(workers.map((worker) => worker.isTerminated)).toEqual([true, false]);
  });

  it('explains the last answer, and lets a newer question go before that without a new worker', async () => {
    const explanation = { ofCauses: {}, expectations: [] };
    const worker = new ChannelWorker({
      diagnose: answer,
      explain: (requestId: number) => ({ requestId, explanation, computeMs: 1 }),
    });
    const client = new DiagnosisClient(() => worker as unknown as Worker);
    await client.ask(card);
    expect(await client.explain()).toMatchObject({ ok: true, value: { explanation } });
    const old = client.explain();
    expect(await client.ask(card)).toMatchObject({ ok: true });
    expect(await old).toEqual({ ok: false, failure: { code: 'diagnosis-stale' } });
    expect(worker.isTerminated).toBe(false);
  });

  it('has nothing to explain before there is an answer', async () => {
    const worker = new ChannelWorker({ explain: () => null });
    const client = new DiagnosisClient(() => worker as unknown as Worker);
    expect(await client.explain()).toEqual({ ok: false, failure: { code: 'diagnosis-stale' } });
  });

  it('does not take the trouble of a worker that was ended for that of the newer one', async () => {
    const { client, workers } = clientOf([forever, answer]);
    client.ask(card);
    const newer = client.ask(card);
    workers[0]?.dispatchEvent(Object.assign(new Event('error'), { message: 'its code was not loaded' }));
    expect(await newer).toMatchObject({ ok: true, value: { requestId: 2 } });
  });

  it('settles the question where the worker breaks, takes too long or is closed', async () => {
    const broken = clientOf([forever]);
    const asked = broken.client.ask(card);
    broken.workers[0]?.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    expect(await asked).toEqual({ ok: false, failure: { code: 'diagnosis-broke', detail: 'out of memory' } });
    expect(await clientOf([forever], 40).client.ask(card)).toMatchObject({ failure: { code: 'diagnosis-broke' } });
    const closed = clientOf([forever]);
    const open = closed.client.ask(card);
    closed.client.close();
    expect(await open).toEqual({ ok: false, failure: { code: 'diagnosis-closed' } });
  });
});
