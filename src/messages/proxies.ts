import { assertNever } from '@/core/assert-never';
import type { CardProxy } from '@/core/card';
import type { ProxyCandidate } from '@/core/fixes';
import type {
  BitrateGrade,
  KeyFrameWay,
  ProxyCheck,
  ProxyFailure,
  ProxyFault,
  ProxyRecipe,
  QueueItem,
  RecipesFailure,
} from '@/core/proxies';
import { formatBytes, formatCount, formatDuration, formatMinutes, formatMs, formatRate } from './format';

/** Why a clip should have a proxy, or needs none. */
export function describeVerdict({ verdict, load }: ProxyCandidate): string {
  switch (verdict) {
    case 'too-heavy':
      return `takes ${formatMs(load.pictureMs)} of ${formatMs(load.budgetMs)} ms a picture`;
    case 'slow-to-jump':
      return `plays, but a jump takes ${formatMs(load.jumpMs)} ms`;
    case 'light':
      return `needs none: ${formatMs(load.pictureMs)} of ${formatMs(load.budgetMs)} ms a picture`;
    case 'large-still':
      return `scaling it down takes ${formatMs(load.pictureMs)} of ${formatMs(load.budgetMs)} ms a picture`;
    case 'lightens-effects':
      return 'plays, but effects are computed on the clip’s own picture: a small one lightens them';
    case 'small':
      return 'needs none: it is no larger than its proxy';
    case 'has-one':
      return 'has one that was checked';
    default:
      return assertNever(verdict);
  }
}

/** Of a clip that this browser does not decode. */
export const cannotBeMadeHere = 'have your editor make its proxy, this browser does not decode it';

export const keyFrameWayTexts: Readonly<Record<KeyFrameWay, string>> = {
  'every-frame': 'Every one',
  'half-second': 'Two a second',
};
export const gradeTexts: Readonly<Record<BitrateGrade, string>> = { small: 'Small', usual: 'Usual', fine: 'Fine' };

/** "540 lines", "1/2 of the lines". */
export const nameRecipeSize = ({ lines, share }: Pick<ProxyRecipe, 'lines' | 'share'>): string =>
  share === null ? `${lines} lines` : `1/${Math.round(1 / share)} of the lines`;

/** What a recipe is good for, in one line. */
export const describeRecipe = ({ keyFrames, grade }: ProxyRecipe): string =>
  `${
    keyFrames === 'every-frame'
      ? 'Any place opens at once, forwards and backwards'
      : 'Smaller files; jumping waits for up to half a second of frames'
  }${grade === 'small' ? '; faces and text lose edges' : grade === 'fine' ? '; focus can be judged on it' : ''}.`;

/** Why a proxy was not made, and what to do. */
export function describeProxyFailure(failure: ProxyFailure): string {
  switch (failure.code) {
    case 'proxy-stopped':
      return 'Stopped; nothing of it was left.';
    case 'proxy-codec-not-decoded':
      return `This browser does not decode ${failure.codec}. Have your editor make this one.`;
    case 'proxy-frame-unreadable':
      return `The picture at ${formatDuration(failure.atMs)} cannot be decoded. Copy the clip from the card once more, or cut that part away.`;
    case 'proxy-encoder-failed':
      return 'This browser’s encoder gave up. Try fewer lines, or make it once more.';
    case 'proxy-disk-full':
      return 'There is no room left where proxies go. Free some, or choose another folder; what is finished stays.';
    case 'proxy-permission-lost':
      return 'The folder may not be written to any more. Allow it again, and go on.';
    case 'proxy-original-gone':
      return 'The clip was moved or changed meanwhile. Choose it again.';
    case 'proxy-name-taken':
      return `“${failure.name}” lies there already, and was not made by Oil Can. Choose another ending or folder.`;
    case 'proxy-broke':
      return 'It broke off for a reason that is not known. Try this clip once more.';
    default:
      return assertNever(failure);
  }
}

const faultTexts: Readonly<Record<ProxyFault['code'], (fault: ProxyFault) => string>> = {
  'length-differs': ({ original, proxy }) =>
    `It lasts ${formatDuration(proxy ?? 0)}, the original ${formatDuration(original ?? 0)}.`,
  'frame-count-differs': ({ original, proxy }) => `It has ${proxy} frames, the original ${original}.`,
  'times-differ': ({ proxy }) => `Its frames come up to ${formatMs(proxy ?? 0)} ms apart from the original’s.`,
  'aspect-differs': () => 'Its picture has another shape: it would look stretched.',
  'rotation-differs': ({ original, proxy }) => `It is turned by ${proxy}°, the original by ${original}°.`,
  'sound-missing': () => 'It has no sound, and the original has.',
  'sound-channels-differ': ({ original, proxy }) => `Its sound has ${proxy} channels, the original’s ${original}.`,
  'sound-length-differs': () => 'Its sound has another length.',
  'few-key-frames': ({ proxy }) =>
    `It has a key frame every ${formatRate(proxy ?? 0)} frames, fewer than the original: jumping would be slower.`,
  'picture-frozen': () => 'Its picture stands still, and the original’s moves.',
  'picture-shifted': () => 'Its pictures come a frame early or late.',
  'picture-mirrored': () => 'Its picture is mirrored.',
  'picture-turned': () => 'Its picture is upside down.',
  'picture-range-differs': () => 'Its blacks and whites are those of another range.',
  'picture-other': () => 'It shows other pictures than the original.',
};

export const describeProxyFault = (fault: ProxyFault): string => faultTexts[fault.code](fault);

/** What a check came to, in one line. */
export function describeCheck(check: ProxyCheck | null): string {
  if (!check) return 'could not be checked';
  if (!check.isGood) return check.faults.map(describeProxyFault).join(' ');
  if (check.pictures === 'alike') return 'fine; nothing moves in it, so its pictures tell nothing';
  return check.pictures === 'compared' ? 'fine: same frames, same pictures' : 'fine as far as its file says';
}

/** Where a clip of the queue stands. */
export function describeStage({ stage, progress, frameTotal, failure, check, made }: QueueItem): string {
  switch (stage) {
    case 'waiting':
      return 'waits';
    case 'making':
      return progress
        ? `${progress.frameCount} of ${frameTotal} frames, ${formatRate((1000 * progress.frameCount) / Math.max(1, progress.elapsedMs))} a second`
        : 'begins';
    case 'checking':
      return 'is checked';
    case 'made':
      return `${formatBytes(made?.sizeBytes ?? 0)}; ${describeCheck(check)}`;
    case 'failed':
      return failure ? describeProxyFailure(failure) : 'failed';
    case 'stopped':
      return 'stopped; nothing of it was left';
    default:
      return assertNever(stage);
  }
}

/** How long, in words for a line. */
export const describeSecondsLeft = (seconds: number): string =>
  seconds < 60 ? 'less than a minute left' : `${formatMinutes(seconds / 60)} left`;

/** Whether a proxy on the card was checked, in a word or two. */
export const describeCheckOf = ({ faults }: Pick<CardProxy, 'faults'>): string =>
  faults === null ? 'not yet' : faults.length === 0 ? 'fine' : `${formatCount(faults.length, 'fault')}: make it anew`;

/** What a recipe is called until the person gives it a name. */
export const nameRecipe = ({ keyFrames, grade, ...size }: ProxyRecipe): string =>
  `${nameRecipeSize(size)}, ${keyFrames === 'every-frame' ? 'all key frames' : 'two key frames a second'}, ${gradeTexts[grade].toLowerCase()}`;

/** Why a file holds no recipes. */
export const recipesFailureTexts: Readonly<Record<RecipesFailure['code'], string>> = {
  'recipes-not-json': 'this is not a file of recipes, or it was cut off.',
  'recipes-not-these': 'there are no recipes for proxies in it that this Oil Can can read.',
};

/** Room that is needed against what is there, or that it is not known. */
export const describeRoom = (neededBytes: number, freeBytes: number | null): string =>
  freeBytes === null
    ? `${formatBytes(neededBytes)} needed; the room there is not known`
    : `${formatBytes(neededBytes)} needed, ${formatBytes(freeBytes)} free`;

/** What was found of interruptions. */
export const describeInterrupted = (names: readonly string[]): string =>
  `${formatCount(names.length, 'proxy', 'proxies')} had been begun and not finished; what was left of ${names.length === 1 ? 'it' : 'them'} is gone, and ${names.length === 1 ? 'it is' : 'they are'} made anew.`;
