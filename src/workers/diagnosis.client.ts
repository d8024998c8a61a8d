import { type Remote, wrap } from 'comlink';
import type { JobCard } from '@/core/card';
import { fail, type Result, succeed } from '@/core/result';
import type { DiagnosisAnswer, DiagnosisWorkerApi } from './diagnosis.protocol';

/** Why there is no answer: a newer question was put, the worker broke or took too long, or it was closed. */
export type DiagnosisFailure =
  | { readonly code: 'diagnosis-stale' }
  | { readonly code: 'diagnosis-broke'; readonly detail: string }
  | { readonly code: 'diagnosis-closed' };

type Outcome = Result<DiagnosisAnswer, DiagnosisFailure>;

/** An answer takes less than a second on slow machines; after this long it has hung. */
const usualLimitMs = 30_000;

/** Works out cards in a worker of its own; only the newest question is answered. */
export class DiagnosisClient {
  private worker: Worker | null = null;
  /** Held as long as the worker: once nobody holds it, Comlink tells the worker to stop listening. */
  private api: Remote<DiagnosisWorkerApi> | null = null;
  private newestId = 0;
  private settleOpen: ((outcome: Outcome) => void) | null = null;

  constructor(
    private readonly createWorker: () => Worker = () =>
      new Worker(new URL('./diagnosis.worker.ts', import.meta.url), { type: 'module' }),
    private readonly limitMs: number = usualLimitMs,
  ) {}

  /** Never rejects. A question that is still open is answered with `diagnosis-stale`. */
  ask(card: JobCard): Promise<Outcome> {
    const requestId = ++this.newestId;
    if (this.settleOpen) {
      // What is under way would hold up the newer question, and nobody waits for it any more.
      this.endWorker();
      this.settleOpen(fail({ code: 'diagnosis-stale' }));
    }
    return new Promise((resolve) => {
      const timer = setTimeout(() => this.breakOff(`no answer for ${this.limitMs} ms`), this.limitMs);
      const settle = (outcome: Outcome): void => {
        clearTimeout(timer);
        if (this.settleOpen === settle) this.settleOpen = null;
        resolve(outcome);
      };
      this.settleOpen = settle;
      this.openApi()
        .diagnose(requestId, card)
        .then(
          (answer) => settle(answer.requestId === this.newestId ? succeed(answer) : fail({ code: 'diagnosis-stale' })),
          (error: Error) => settle(fail({ code: 'diagnosis-broke', detail: error.message })),
        );
    });
  }

  /** Ends the worker; an open question is settled. */
  close(): void {
    this.endWorker();
    this.settleOpen?.(fail({ code: 'diagnosis-closed' }));
  }

  private endWorker(): void {
    this.worker?.terminate();
    this.worker = null;
    this.api = null;
  }

  private openApi(): Remote<DiagnosisWorkerApi> {
    if (this.api) return this.api;
    const worker = this.createWorker();
    worker.addEventListener('error', (event) => this.breakOff(event.message));
    worker.addEventListener('messageerror', () => this.breakOff('The answer could not be read.'));
    this.worker = worker;
    this.api = wrap<DiagnosisWorkerApi>(worker);
    return this.api;
  }

  private breakOff(detail: string): void {
    this.endWorker();
    this.settleOpen?.(fail({ code: 'diagnosis-broke', detail }));
  }
}
