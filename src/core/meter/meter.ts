import { fail, type Result } from '../result';
import { ChangeMeasure } from './change-measure';
import { findingMs, PartFinder } from './find-part';
import { createGreyScaler, type GreyScaler } from './scale-grey';
import { type SummaryOptions, summariseChanges } from './summarise';
import type { GreyPicture, MeterFailure, MeterResult, PictureRegion } from './types';

export interface MeterOptions extends SummaryOptions {
  /** Where the picture plays, 'whole' for all of what is recorded; without it, the part is looked for. */
  readonly region?: PictureRegion | 'whole';
}

/** What a recording came to, and where its picture was found. */
export interface MeterReading {
  readonly region: PictureRegion | null;
  readonly result: Result<MeterResult, MeterFailure>;
}

/** While the part is looked for, windows are kept in this size at most: three seconds of them fit into memory. */
const keptWidthPx = 960;
const keptHeightPx = 540;

const wholeOf = ({ widthPx, heightPx }: Pick<GreyPicture, 'widthPx' | 'heightPx'>): PictureRegion => ({
  xPx: 0,
  yPx: 0,
  widthPx,
  heightPx,
});

/** Windows made small enough to keep. */
class Shrinker {
  private readonly scaler: GreyScaler;
  private readonly levels: Float32Array;
  readonly ratio: number;

  constructor(picture: GreyPicture) {
    this.scaler = createGreyScaler(wholeOf(picture), keptWidthPx, keptHeightPx);
    this.levels = new Float32Array(this.scaler.widthPx * this.scaler.heightPx);
    this.ratio = picture.widthPx / this.scaler.widthPx;
  }

  shrink(picture: GreyPicture): GreyPicture {
    const { widthPx, heightPx } = this.scaler;
    if (this.ratio <= 1) return picture;
    this.scaler.scale(picture, this.levels);
    // Clamped arrays round; a callback a pixel would take longer than all the rest.
    return { widthPx, heightPx, pixels: new Uint8Array(Uint8ClampedArray.from(this.levels).buffer) };
  }
}

/**
 * Takes a recording frame by frame and tells what its preview showed. Where the part is given, it keeps one number a
 * frame; where it is looked for, also the first three seconds of frames until it is found.
 */
export class Meter {
  private measure: ChangeMeasure | null = null;
  private region: PictureRegion | null = null;
  private shrinker: Shrinker | null = null;
  private finder: PartFinder | null = null;
  private waiting: GreyPicture[] = [];
  private isFound = true;
  private readonly changes: number[] = [];
  private readonly timesMs: number[] = [];

  constructor(private readonly options: MeterOptions = {}) {}

  /** Takes one frame, of the same size each; its pixels may be written over afterwards. Times rise. */
  add(picture: GreyPicture, atMs: number): void {
    this.timesMs.push(atMs);
    const { region } = this.options;
    if (region) {
      if (!this.measure) this.begin(region === 'whole' ? wholeOf(picture) : region);
      this.take(picture);
      return;
    }
    this.shrinker ??= new Shrinker(picture);
    const small = this.shrinker.shrink(picture);
    if (this.measure) {
      this.take(small);
      return;
    }
    this.finder ??= new PartFinder(small.widthPx, small.heightPx);
    this.finder.add(small, atMs);
    this.waiting.push(small === picture ? { ...small, pixels: small.pixels.slice() } : small);
    if (atMs - (this.timesMs[0] as number) >= findingMs) this.beginWhereFound();
  }

  private begin(region: PictureRegion): void {
    this.region = region;
    this.measure = new ChangeMeasure(region);
  }

  private take(picture: GreyPicture): void {
    if (!this.measure) throw new Error('Meter.take: not begun');
    this.changes.push(this.measure.next(picture));
  }

  /** Where nothing stands out there is no preview to measure; what comes after is still counted as time. */
  private beginWhereFound(): void {
    const [first] = this.waiting;
    if (!first) return;
    const found = this.finder?.find() ?? null;
    this.isFound = found !== null;
    this.begin(found ?? wholeOf(first));
    for (const picture of this.waiting) this.take(picture);
    this.waiting = [];
    this.finder = null;
  }

  /** How far the newest frame differs from the one before; null while the part is still looked for. */
  get latestChange(): number | null {
    return this.measure ? (this.changes.at(-1) ?? 0) : null;
  }

  /** What all frames so far come to, `measuredMs` where the stretch was longer than its frames. O(frames · log frames). */
  read(measuredMs?: number): MeterReading {
    if (!this.measure) this.beginWhereFound();
    const ratio = this.shrinker?.ratio ?? 1;
    const scaled = ({ xPx, yPx, widthPx, heightPx }: PictureRegion): PictureRegion => ({
      xPx: Math.round(xPx * ratio),
      yPx: Math.round(yPx * ratio),
      widthPx: Math.round(widthPx * ratio),
      heightPx: Math.round(heightPx * ratio),
    });
    const result = summariseChanges(this.changes, this.timesMs, {
      ...this.options,
      ...(measuredMs === undefined ? {} : { measuredMs }),
    });
    if (!this.isFound && result.ok)
      return { region: null, result: fail({ code: 'not-enough-movement', strongestChange: 0 }) };
    return { region: this.region && scaled(this.region), result };
  }
}
