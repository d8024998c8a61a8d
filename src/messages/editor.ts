import { assertNever } from '@/core/assert-never';
import {
  type CardEditor,
  levelOfRatio,
  type PlayFeel,
  type PreviewQuality,
  type ProxyState,
  type QualitiesFailure,
} from '@/core/card';
import { joinLabels } from './format';

/** How far small copies of the clips have come. */
export const proxyStateTexts: Readonly<Record<ProxyState, string>> = {
  none: 'There are none',
  made: 'Made, unknown to the editor',
  attached: 'Known to the editor, not shown',
  shown: 'Shown in the preview',
  unknown: 'Don’t know',
};

export const playWayTexts: Readonly<Record<CardEditor['playsBy'], string>> = {
  streaming: 'It plays at once',
  'computing-first': 'It computes first, then plays',
  unknown: 'Don’t know',
};

/** Where somebody complains of waiting for the picture, and something else stands among the settings. */
export const waitsAllTheSame = 'You said that you wait until it has computed: that is what counts here.';

export const lateFrameTexts: Readonly<Record<CardEditor['lateFrames'], string>> = {
  skipped: 'Left out, in time',
  'all-played': 'All played, slowly',
  unknown: 'Don’t know',
};

/** Things that many editors do while drawing. */
export const habitTexts: Readonly<Record<keyof CardEditor['habits'], string>> = {
  'fine-scaling': 'The preview scales with a fine filter',
  'exact-colour': 'Colours are converted for the screen',
  'drawings-on-picture': 'Guides or handles are drawn on the picture',
  'second-output': 'A second screen or device shows the picture',
  'dense-window': 'The window is drawn in a dense resolution',
};

/** How playing felt, where no rate can be read. */
export const playFeelTexts: Readonly<Record<PlayFeel, string>> = {
  'stands-still': 'It stands still',
  stumbles: 'It stumbles',
  uneven: 'Uneven',
  'nearly-smooth': 'Nearly smooth',
  smooth: 'Smooth',
};

/** How the qualities of a person's editor were read, or how to write them. */
export const describeQualities = (qualities: readonly PreviewQuality[]): string =>
  qualities.length === 0
    ? 'With commas between: “Full, 1/2, 1/3” or “High, Medium, Low”. A name alone is taken for half of the one before.'
    : `Taken as ${joinLabels(
        qualities.map(({ name, ratio }) => `${name}: ${ratio === 1 ? 'full' : levelOfRatio(ratio)}`),
        ', ',
      )}.`;

/** Why a list of qualities could not be read. */
export function describeQualitiesFailure(failure: QualitiesFailure): string {
  switch (failure.code) {
    case 'qualities-too-many':
      return `At most ${failure.most}, please.`;
    case 'quality-not-smaller':
      return `“${failure.name}” is not smaller than “${failure.before}”: write the best first.`;
    case 'quality-name-too-long':
      return `“${failure.name.slice(0, 20)}…” is too long for a name. Put commas between them.`;
    default:
      return assertNever(failure);
  }
}

/** A quality as it is called in the person's editor, where that is another name. */
export const describeOwnQuality = (name: string): string => `In your editor it is called “${name}”.`;

/** Why a small preview need not be put back. */
export const exportsApart =
  'You said that your editor exports apart from its preview. Look once at what comes out: it has the film’s full size.';
