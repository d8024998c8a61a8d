import { type Remote, wrap } from 'comlink';
import type { JobCard } from '@/core/card';
import { fail, type Result, succeed } from '@/core/result';
import type { DiagnosisAnswer, DiagnosisWorkerApi, ExplanationAnswer } from './diagnosis.protocol';

/** Why there is no answer: a newer question was put, the worker broke or took too long, or it was closed. */
export type DiagnosisFailure =
  | { readonly code: 'diagnosis-stale' }
  | { readonly code: 'diagnosis-broke'; readonly detail: string }
  | { readonly code: 'diagnosis-closed' };

/** An answer takes less than a second on slow machines; after this long it has hung. */
const usualLimitMs = 30_000;

/** Works out cards in a worker of its own; only the newest question is answered. */
export class DiagnosisClient {
  private worker: Worker | null = null;
  /** Held as long as the worker: once nobody holds it, Comlink tells the worker to stop listening. */
  private api: Remote<DiagnosisWorkerApi> | null = null;
  private newestId = 0;
  /** Whether what is open is an explanation. */
  private isExplaining = false;
  private settleOpen: ((failure: DiagnosisFailure) => void) | null = null;

  constructor(
    private readonly createWorker: () => Worker = () =>
      new Worker(new URL('./diagnosis.worker.ts', import.meta.url), { type: 'module' }),
    private readonly limitMs: number = usualLimitMs,
  ) {}

  /** Never rejects. Whatever is still open is answered with `diagnosis-stale`. */
  ask(card: JobCard): Promise<Result<DiagnosisAnswer, DiagnosisFailure>> {
    if (this.settleOpen) {
      // A diagnosis under way would hold up the newer question, and nobody waits for it any more. An explanation is
      // over sooner than a new worker would be loaded.
      if (!this.isExplaining) this.endWorker();
      this.settleOpen({ code: 'diagnosis-stale' });
    }
    this.isExplaining = false;
    return this.put((api, requestId) => api.diagnose(requestId, card));
  }

  /** Why the answer that was given last is what it is. Never rejects; a newer question makes it stale. */
  async explain(): Promise<Result<ExplanationAnswer, DiagnosisFailure>> {
    if (this.settleOpen) return fail({ code: 'diagnosis-stale' });
    this.isExplaining = true;
    const answer = await this.put((api, requestId) => api.explain(requestId));
    if (!answer.ok) return answer;
    return answer.value ? succeed(answer.value) : fail({ code: 'diagnosis-stale' });
  }

  private put<T extends { readonly requestId: number } | null>(
    work: (api: Remote<DiagnosisWorkerApi>, requestId: number) => Promise<T>,
  ): Promise<Result<T, DiagnosisFailure>> {
    const requestId = ++this.newestId;
    return new Promise((resolve) => {
      const timer = setTimeout(() => this.breakOff(`no answer for ${this.limitMs} ms`), this.limitMs);
      const settle = (outcome: Result<T, DiagnosisFailure>): void => {
        clearTimeout(timer);
        if (this.settleOpen === failOpen) this.settleOpen = null;
        resolve(outcome);
      };
      const failOpen = (failure: DiagnosisFailure): void => settle(fail(failure));
      this.settleOpen = failOpen;
      work(this.openApi(), requestId).then(
        (answer) =>
          settle(
            answer === null || answer.requestId === this.newestId ? succeed(answer) : fail({ code: 'diagnosis-stale' }),
          ),
        (error: Error) => failOpen({ code: 'diagnosis-broke', detail: error.message }),
      );
    });
  }

  /** Ends the worker; an open question is settled. */
  close(): void {
    this.endWorker();
    this.settleOpen?.({ code: 'diagnosis-closed' });
  }

  private endWorker(): void {
    this.worker?.terminate();
    this.worker = null;
    this.api = null;
  }

  private openApi(): Remote<DiagnosisWorkerApi> {
    if (this.api) return this.api;
    const worker = this.createWorker();
    // One that was ended while its code was still being loaded may report that as an error: it is not the newer one's.
    const breakOff = (detail: string): void => {
      if (this.worker === worker) this.breakOff(detail);
    };
    worker.addEventListener('error', (event) => breakOff(event.message));
    worker.addEventListener('messageerror', () => breakOff('The answer could not be read.'));
    this.worker = worker;
    this.api = wrap<DiagnosisWorkerApi>(worker);
    return this.api;
  }

  private breakOff(detail: string): void {
    this.endWorker();
    this.settleOpen?.({ code: 'diagnosis-broke', detail });
  }
}
