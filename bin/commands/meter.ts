import { readFileSync } from 'node:fs';
import { Meter, type MeterOptions, type PictureRegion } from '@/core/meter';
import { readNumber, readOptions } from './options';
import type { CommandOutput } from './output';
import { WrongUseError } from './wrong-use';

/** What `meter` is told of the frames on standard input. */
export interface MeterCommandOptions extends MeterOptions {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly recordedFps: number;
  /** A file with the time of each frame in milliseconds, one a line. */
  readonly timesPath: string | null;
}

const aboveZero = (option: string, text: string): number =>
  readNumber(text, option, (value) => value > 0, 'a number above zero');
const wholeAboveZero = (option: string, text: string): number =>
  readNumber(text, option, (value) => value > 0 && Number.isInteger(value), 'a whole number above zero');

function parseRegion(text: string, widthPx: number, heightPx: number): PictureRegion | 'whole' {
  if (text === 'whole') return 'whole';
  const [xPx = -1, yPx = -1, width = 0, height = 0, ...rest] = text.split(',').map(Number);
  const isInside =
    rest.length === 0 &&
    [xPx, yPx, width, height].every(Number.isInteger) &&
    Math.min(xPx, yPx) >= 0 &&
    Math.min(width, height) >= 1 &&
    xPx + width <= widthPx &&
    yPx + height <= heightPx;
  if (!isInside)
    throw new WrongUseError(
      `--region asks for X,Y,W,H within ${widthPx} x ${heightPx}, or "whole"; "${text}" is neither.`,
    );
  return { xPx, yPx, widthPx: width, heightPx: height };
}

/** Reads `--width W --height H --fps R [--clip-fps C] [--region X,Y,W,H|whole] [--times FILE] [--filmed yes|no]`. */
export function parseMeterOptions(words: readonly string[]): MeterCommandOptions {
  const { values } = readOptions(words, {
    width: { type: 'string' },
    height: { type: 'string' },
    fps: { type: 'string' },
    'clip-fps': { type: 'string' },
    region: { type: 'string' },
    times: { type: 'string' },
    filmed: { type: 'string' },
  });
  const needed = (option: 'width' | 'height' | 'fps'): string => {
    const value = values[option];
    if (value === undefined) throw new WrongUseError(`--${option} is missing.`);
    return value;
  };
  const widthPx = wholeAboveZero('--width', needed('width'));
  const heightPx = wholeAboveZero('--height', needed('height'));
  const recordedFps = aboveZero('--fps', needed('fps'));
  const { 'clip-fps': clipFps, region, filmed } = values;
  if (filmed !== undefined && filmed !== 'yes' && filmed !== 'no')
    throw new WrongUseError(`--filmed asks for yes or no; "${filmed}" is neither.`);
  return {
    widthPx,
    heightPx,
    recordedFps,
    ceilingFps: recordedFps,
    ...(clipFps === undefined ? {} : { clipFps: aboveZero('--clip-fps', clipFps) }),
    ...(region === undefined ? {} : { region: parseRegion(region, widthPx, heightPx) }),
    isFilmed: filmed === 'yes',
    timesPath: values.times ?? null,
  };
}

function readTimes(path: string): readonly number[] {
  const times = readFileSync(path, 'utf8').trim().split(/\s+/).map(Number);
  if (times.some((atMs, i) => !Number.isFinite(atMs) || (i > 0 && atMs <= (times[i - 1] as number))))
    throw new WrongUseError(`${path} asks for one time in milliseconds a line, each later than the one before.`);
  return times;
}

/** Whole frames out of chunks of any length; throws where they end in the middle of one. */
async function* framesOf(chunks: AsyncIterable<Buffer>, frameBytes: number): AsyncGenerator<Uint8Array> {
  const frame = new Uint8Array(frameBytes);
  let filled = 0;
  for await (const chunk of chunks) {
    let at = 0;
    while (at < chunk.length) {
      const taken = Math.min(frameBytes - filled, chunk.length - at);
      frame.set(chunk.subarray(at, at + taken), filled);
      filled += taken;
      at += taken;
      if (filled < frameBytes) continue;
      yield frame;
      filled = 0;
    }
  }
  if (filled > 0)
    throw new WrongUseError(
      `The frames end in the middle of one: ${filled} of ${frameBytes} bytes. Are --width and --height those of the recording, and its pixels 8-bit grey?`,
    );
}

/** `meter … < frames.gray`: what the preview in a recording showed. */
export async function meterCommand(options: MeterCommandOptions, input: AsyncIterable<Buffer>): Promise<CommandOutput> {
  const { widthPx, heightPx, recordedFps, timesPath } = options;
  const times = timesPath === null ? null : readTimes(timesPath);
  const meter = new Meter(options);
  let index = 0;
  for await (const pixels of framesOf(input, widthPx * heightPx)) {
    const atMs = times ? times[index] : (index * 1000) / recordedFps;
    if (atMs === undefined)
      throw new WrongUseError(`${timesPath} holds ${times?.length} times; there are more frames than that.`);
    meter.add({ widthPx, heightPx, pixels }, atMs);
    index++;
  }
  const { region, result } = meter.read();
  if (!result.ok) return { exitCode: 1, json: { failure: result.failure } };
  const { deadlineMs: _, settledFps: __, ...named } = result.value;
  const { xPx = 0, yPx = 0, widthPx: width = 0, heightPx: height = 0 } = region ?? {};
  return { exitCode: 0, json: { region: [xPx, yPx, width, height], ...named } };
}
