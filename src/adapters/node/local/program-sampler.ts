import { averageSamples, type ProcessSample, type SampledPrograms } from '@/core/programs';

/** What the sampler needs of the world; tests hand in their own. */
export interface SamplerWorld {
  /** All processes now; core use is that since the last call, and means nothing at the first. */
  readonly list: () => Promise<Omit<ProcessSample, 'atMs' | 'coversSec'>>;
  readonly nowMs: () => number;
  readonly wait: (ms: number) => Promise<void>;
  /** The processor's time that this process has taken, in seconds. */
  readonly ownProcessorSec: () => number;
}

const everyMs = 2000;
/** The first answer is wanted at once: it covers less. */
const firstMs = 700;
const ringLength = 15;
const stopsAfterMs = 60_000;

/**
 * One sampler for all who ask: started by a request, stopped a minute after the last. It keeps half a minute of samples of two
 * seconds; an answer is their average, with the seconds that it covers. Whoever asks while the first sample is taken waits for
 * that one; later questions are answered from what is there, so that many of them are no more work than one.
 */
export class ProgramSampler {
  private ring: ProcessSample[] = [];
  private running: Promise<void> | null = null;
  private first: Promise<void> | null = null;
  private askedAtMs = 0;
  private startedAtMs = 0;
  private startedOwnSec = 0;

  constructor(private readonly world: SamplerWorld) {}

  async read(): Promise<SampledPrograms> {
    this.askedAtMs = this.world.nowMs();
    if (!this.running) this.start();
    await this.first;
    const overSec = Math.max(0.1, (this.world.nowMs() - this.startedAtMs) / 1000);
    const ownBusyCores = (this.world.ownProcessorSec() - this.startedOwnSec) / overSec;
    return { ...averageSamples(this.ring), ownBusyCores };
  }

  private start(): void {
    this.ring = [];
    this.startedAtMs = this.world.nowMs();
    this.startedOwnSec = this.world.ownProcessorSec();
    this.first = this.begin();
    this.running = this.first.then(() => this.goOn());
    this.running.then(
      () => {
        this.running = null;
      },
      () => {
        this.running = null;
      },
    );
  }

  private async begin(): Promise<void> {
    await this.world.list();
    await this.sampleAfter(firstMs);
  }

  private async goOn(): Promise<void> {
    while (this.world.nowMs() - this.askedAtMs < stopsAfterMs) await this.sampleAfter(everyMs);
  }

  private async sampleAfter(ms: number): Promise<void> {
    const fromMs = this.world.nowMs();
    await this.world.wait(ms);
    const listed = await this.world.list();
    const atMs = this.world.nowMs();
    this.ring = [...this.ring, { ...listed, atMs, coversSec: (atMs - fromMs) / 1000 }].slice(-ringLength);
  }
}
