import type { Range } from '@/core/numbers/percentile';

const decimals = (places: number): Intl.NumberFormat =>
  new Intl.NumberFormat('en-GB', { minimumFractionDigits: 0, maximumFractionDigits: places });
const whole = decimals(0);
const tenths = decimals(1);
const hundredths = decimals(2);

/** A rate that was read or measured, to the tenth everywhere: what a reading is good to. */
export const formatRate = (fps: number): string => tenths.format(fps);

/** A rate that something is made for, as people say it: 25, 29.97, 23.98. */
export const formatFps = (fps: number): string => hundredths.format(fps);

/** Milliseconds without false precision: 0.8, 12, 340. */
export const formatMs = (ms: number): string => (ms < 9.95 ? tenths.format(ms) : whole.format(ms));

/** A wait: "90 ms" or "1.4 s". */
export const formatWait = (ms: number): string =>
  ms < 950 ? `${whole.format(ms < 100 ? ms : Math.round(ms / 10) * 10)} ms` : `${tenths.format(ms / 1000)} s`;

/** A range of rates, rounded to whole frames below the target: "10 to 14", or one figure where both ends agree. */
export function formatFpsRange({ low, high }: Range): string {
  const [from, to] = [low, high].map((fps) => (fps > 23 && fps % 1 > 0.9 ? formatFps(fps) : whole.format(fps)));
  return from === to ? `${to}` : `${from} to ${to}`;
}

/** A range of waits: "170 to 320 ms", "0.9 to 1.6 s", or one figure where both ends agree. */
export function formatWaitRange({ low, high }: Range): string {
  const [from, to] = [formatWait(low), formatWait(high)];
  if (from === to) return to;
  const unit = to.slice(to.indexOf(' '));
  return from.endsWith(unit) ? `${from.slice(0, -unit.length)} to ${to}` : `${from} to ${to}`;
}

/** A file's size in decimal units, as shops and systems state them. */
export function formatBytes(sizeBytes: number): string {
  if (sizeBytes < 1e6) return `${whole.format(sizeBytes / 1e3)} kB`;
  if (sizeBytes < 1e9) return `${whole.format(sizeBytes / 1e6)} MB`;
  return `${tenths.format(sizeBytes / 1e9)} GB`;
}

/** A length: "0:42", "12:05", "1:02:09". */
export function formatDuration(durationMs: number): string {
  const totalSec = Math.round(durationMs / 1000);
  const [hours, minutes, seconds] = [Math.floor(totalSec / 3600), Math.floor(totalSec / 60) % 60, totalSec % 60];
  const padded = (value: number): string => String(value).padStart(2, '0');
  return hours > 0 ? `${hours}:${padded(minutes)}:${padded(seconds)}` : `${minutes}:${padded(seconds)}`;
}

/** Minutes of work: "under a minute", "2 minutes", "about 40 minutes", "about 3 hours", "about 2 days". */
export function formatMinutes(minutes: number): string {
  if (minutes < 0.75) return 'under a minute';
  if (minutes >= 47.5 * 60) return `about ${formatCount(Math.round(minutes / 1440), 'day')}`;
  // Half hours up to three; beyond that nobody plans by them.
  if (minutes >= 87.5) {
    const hours = minutes < 165 ? Math.round(minutes / 30) / 2 : Math.round(minutes / 60);
    return `about ${tenths.format(hours)} hours`;
  }
  const rounded = minutes < 10 ? Math.round(minutes) : Math.round(minutes / 5) * 5;
  return `${minutes < 10 ? '' : 'about '}${rounded} ${rounded === 1 ? 'minute' : 'minutes'}`;
}

/** A range of minutes, or of hours where it is long: "0.4 to 1.7 minutes", "12 to 55 minutes", "1.5 to 6 hours". */
export function formatMinutesRange(low: number, high: number): string {
  const [unit, from, to] = high < 120 ? ['minutes', low, high] : ['hours', low / 60, high / 60];
  const written = (value: number): string => (value < 9.95 ? tenths.format(value) : whole.format(value));
  return written(from) === written(to) ? `${written(to)} ${unit}` : `${written(from)} to ${written(to)} ${unit}`;
}

/** Bits a second: "0.7", "17", "140" (Mbit/s stands beside it or in the head). */
export const formatMbit = (mbitPerSec: number): string =>
  mbitPerSec < 9.95 ? tenths.format(mbitPerSec) : whole.format(mbitPerSec);

/** Gigabytes: "1.9 GB". */
export const formatGigabytes = (gigabytes: number): string =>
  gigabytes < 0.095 ? `${whole.format(gigabytes * 1000)} MB` : `${tenths.format(gigabytes)} GB`;

/** Memory: "8 GB" for 8192 MiB. */
export const formatMemory = (memoryMib: number): string =>
  memoryMib < 1000 ? `${whole.format(memoryMib)} MB` : `${tenths.format(memoryMib / 1024)} GB`;

/** "1 clip", "14 clips". */
export const formatCount = (count: number, one: string, many = `${one}s`): string =>
  `${whole.format(count)} ${count === 1 ? one : many}`;

/** A day and a time, in the reader's own zone. */
export const formatMoment = (atMs: number): string =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(atMs);

/** How long ago: "just now", "4 minutes ago", "3 days ago". */
export function formatAgo(atMs: number, nowMs: number): string {
  const minutes = Math.max(0, Math.round((nowMs - atMs) / 60_000));
  if (minutes < 1) return 'just now';
  if (minutes < 60) return `${formatCount(minutes, 'minute')} ago`;
  if (minutes < 1440) return `${formatCount(Math.round(minutes / 60), 'hour')} ago`;
  return `${formatCount(Math.round(minutes / 1440), 'day')} ago`;
}

/** A word's first letter is made small; a name such as "H.264" keeps it. */
const inSentence = (label: string): string => label.replace(/^[A-Z](?=[a-z])/, (letter) => letter.toLowerCase());

/** Several labels as one sentence's part: only the first keeps its capital. */
export const joinLabels = (labels: readonly string[], between: string): string =>
  labels.map((label, i) => (i === 0 ? label : inSentence(label))).join(between);
