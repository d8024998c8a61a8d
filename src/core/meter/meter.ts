import { fail, type Result } from '../result';
import { ChangeMeasure } from './change-measure';
import { findingMs, RegionFinder } from './find-region';
import { halveGrey } from './halve-grey';
import { Steadier } from './steady';
import type { ChangeCourse } from './stretches';
import { type SummaryOptions, summariseChanges } from './summarise';
import type { GreyPicture, MeterFailure, MeterResult, PictureRegion } from './types';

export interface MeterOptions extends Omit<SummaryOptions, 'isNeverStill'> {
  /** Where the picture plays, 'whole' for all of what is recorded; without it, the region is looked for. */
  readonly region?: PictureRegion | 'whole';
}

/** What a recording came to, and where its picture was found. */
export interface MeterReading {
  readonly region: PictureRegion | null;
  readonly result: Result<MeterResult, MeterFailure>;
}

/**
 * While the region is looked for, windows are halved until they are of this size at most: three seconds of them fit into
 * memory. What was filmed stays so: a camera's pixels are many, and each of them is moved back.
 */
const keptWidthPx = 960;
const keptHeightPx = 540;
/**
 * So many of the frames that were kept are measured with each that comes: all of them at once take so long that frames of
 * a window that is being watched are lost meanwhile.
 */
const caughtUpAtOnce = 8;

const wholeOf = ({ widthPx, heightPx }: Pick<GreyPicture, 'widthPx' | 'heightPx'>): PictureRegion => ({
  xPx: 0,
  yPx: 0,
  widthPx,
  heightPx,
});

/** A window made small enough to keep, and how many of its pixels lie along one of the small one's. */
function shrunk(window: GreyPicture): { readonly small: GreyPicture; readonly ratio: number } {
  let small = window;
  let ratio = 1;
  for (; small.widthPx > keptWidthPx || small.heightPx > keptHeightPx; ratio *= 2) small = halveGrey(small);
  return { small, ratio };
}

const reduced = ({ xPx, yPx, widthPx, heightPx }: PictureRegion, ratio: number): PictureRegion => ({
  xPx: Math.floor(xPx / ratio),
  yPx: Math.floor(yPx / ratio),
  widthPx: Math.max(1, Math.floor(widthPx / ratio)),
  heightPx: Math.max(1, Math.floor(heightPx / ratio)),
});

const enlarged = ({ xPx, yPx, widthPx, heightPx }: PictureRegion, ratio: number): PictureRegion => ({
  xPx: xPx * ratio,
  yPx: yPx * ratio,
  widthPx: widthPx * ratio,
  heightPx: heightPx * ratio,
});

/**
 * Takes a recording frame by frame and tells what its preview showed. Where the region is given, it keeps one number a
 * frame; where it is looked for, also the first three seconds of frames until it is found.
 */
export class Meter {
  private measure: ChangeMeasure | null = null;
  /** In pixels of what is measured, like all regions outside of the region's finder. */
  private region: PictureRegion | null = null;
  private ratio = 1;
  private readonly steadier: Steadier | null;
  /** How many of the recording's pixels lie along one of what is measured. */
  private filmedRatio = 1;
  private finder: RegionFinder | null = null;
  private waiting: GreyPicture[] = [];
  private isFound = true;
  private isNeverStill = false;
  private readonly changes: number[] = [];
  private readonly timesMs: number[] = [];

  constructor(private readonly options: MeterOptions = {}) {
    this.steadier = options.isFilmed ? new Steadier() : null;
  }

  /** Takes one frame, of the same size each; its pixels may be written over afterwards. Times rise. */
  add(recorded: GreyPicture, atMs: number): void {
    this.timesMs.push(atMs);
    const picture = this.steadier ? this.steady(recorded, this.steadier) : recorded;
    const { region } = this.options;
    if (!this.measure && region) {
      this.region = region === 'whole' ? wholeOf(picture) : reduced(region, this.filmedRatio);
      this.measure = new ChangeMeasure(this.region);
    }
    if (!this.measure) this.look(picture, atMs);
    else if (this.waiting.length > 0) this.catchUp(picture, this.measure);
    else this.changes.push(this.measure.next(picture));
  }

  /** A filmed frame, small and where the camera would have seen it had it stood still. */
  private steady(recorded: GreyPicture, steadier: Steadier): GreyPicture {
    const { small, ratio } = shrunk(recorded);
    this.filmedRatio = ratio;
    return steadier.next(small, this.measure ? this.region : null);
  }

  /** Keeps a frame, and looks for the region once there are enough of them. */
  private look(picture: GreyPicture, atMs: number): void {
    const small = this.keep(picture);
    this.finder ??= new RegionFinder(small.widthPx, small.heightPx, this.steadier !== null);
    this.finder.add(small, atMs);
    if (atMs - (this.timesMs[0] as number) >= findingMs) this.beginWhereFound();
  }

  private keep(picture: GreyPicture): GreyPicture {
    const { small, ratio } = shrunk(picture);
    this.ratio = ratio;
    this.waiting.push(ratio === 1 ? { ...small, pixels: small.pixels.slice() } : small);
    return small;
  }

  /** Keeps a frame, and measures the first that are kept: each time more than came. */
  private catchUp(picture: GreyPicture, measure: ChangeMeasure): void {
    this.keep(picture);
    this.measureKept(measure, caughtUpAtOnce);
    if (this.waiting.length > 0 || this.ratio === 1 || !this.region) return;
    // From here on the region is measured as it was recorded, which takes less than making every window small. Blocks
    // stay the same; a frame that both have seen joins them.
    this.measure = new ChangeMeasure(this.region, this.ratio);
    this.measure.next(picture);
  }

  private measureKept(measure: ChangeMeasure, most: number): void {
    for (const kept of this.waiting.splice(0, most)) this.changes.push(measure.next(kept));
  }

  /** Where nothing stands out there is no preview to measure; what comes after is still counted as time. */
  private beginWhereFound(): void {
    const [first] = this.waiting;
    if (!first) return;
    const found = this.finder?.find() ?? null;
    this.isFound = found !== null;
    this.isNeverStill = this.finder?.isNeverStill ?? false;
    const region = found ?? wholeOf(first);
    this.region = enlarged(region, this.ratio);
    this.measure = new ChangeMeasure(region);
    this.finder = null;
  }

  /** How far the newest frame differs from the one before; null while the region is looked for, and frames wait for that. */
  get latestChange(): number | null {
    return this.measure && this.waiting.length === 0 ? (this.changes.at(-1) ?? 0) : null;
  }

  /** How far each frame differs from the one before, as far as the region is known: until then there is none. */
  get course(): ChangeCourse {
    return { changes: this.changes, timesMs: this.timesMs.slice(0, this.changes.length) };
  }

  /** What all frames so far come to, `measuredMs` where the stretch was longer than its frames. O(frames · log frames). */
  read(measuredMs?: number): MeterReading {
    if (!this.measure) this.beginWhereFound();
    if (this.measure) this.measureKept(this.measure, this.waiting.length);
    const result = summariseChanges(this.changes, this.timesMs, {
      ...this.options,
      isNeverStill: this.isNeverStill,
      ...(measuredMs === undefined ? {} : { measuredMs }),
    });
    if (!this.isFound && result.ok)
      return { region: null, result: fail({ code: 'not-enough-movement', strongestChange: 0 }) };
    const { region } = this.options;
    if (region && region !== 'whole') return { region, result };
    return { region: this.region && enlarged(this.region, this.filmedRatio), result };
  }
}
