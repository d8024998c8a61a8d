import type { CardEditor, PlayFeel, ProxyState } from '@/core/card';

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
