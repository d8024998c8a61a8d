import { describe, expect, it } from 'vitest';
import type { ProxyCandidate, ProxyVerdict } from '@/core/fixes';
import {
  type ChoiceEvent,
  chosenOf,
  firstChoice,
  idsAbove,
  idsOfCodec,
  isSuffixUsable,
  stepChoice,
} from './choice-state';

const candidate = (id: string, verdict: ProxyVerdict, heightPx = 1080, codec = 'h264') =>
  ({ clip: { id }, verdict, facts: { widthPx: 4000, heightPx, codec } }) as ProxyCandidate;
const candidates = [
  candidate('heavy', 'too-heavy', 2160, 'hevc'),
  candidate('slow', 'slow-to-jump'),
  candidate('light', 'light'),
  candidate('small', 'small', 360),
];
const following = (...events: readonly ChoiceEvent[]) => events.reduce(stepChoice, firstChoice('_Proxy'));
const idsOf = (choice: ReturnType<typeof following>) => chosenOf(choice, candidates).map(({ clip }) => clip.id);

describe('stepChoice', () => {
  it('takes what is suggested until a clip is ticked, and goes on from there', () => {
    expect(idsOf(following())).toEqual(['heavy', 'slow']);
    const ticked = following({ type: 'ticked', candidates, id: 'light', isTicked: true });
    expect(idsOf(ticked)).toEqual(['heavy', 'slow', 'light']);
    expect(idsOf(stepChoice(ticked, { type: 'ticked', candidates, id: 'heavy', isTicked: false }))).toEqual([
      'slow',
      'light',
    ]);
    expect(idsOf(stepChoice(ticked, { type: 'suggested' }))).toEqual(['heavy', 'slow']);
  });

  it('never chooses a clip of which none can be made', () => {
    expect(idsOf(following({ type: 'picked', clipIds: ['small', 'heavy'] }))).toEqual(['heavy']);
  });

  it('keeps what is chosen when the recipe changes', () => {
    const choice = following({ type: 'picked', clipIds: ['light'] }, { type: 'recipe', recipe: { lines: 360 } });
    expect(choice.recipe).toMatchObject({ lines: 360, keyFrames: 'every-frame' });
    expect(idsOf(choice)).toEqual(['light']);
  });
});

describe('simple choices', () => {
  it('go by lines and by codec', () => {
    expect(idsAbove(candidates, 1080)).toEqual(['heavy', 'slow', 'light']);
    expect(idsOfCodec(candidates, 'hevc')).toEqual(['heavy']);
  });
});

describe('isSuffixUsable', () => {
  it('refuses what may not stand in a name, and none at all', () => {
    for (const good of ['_Proxy', ' small', '-x']) expect(isSuffixUsable(good), good).toBe(true);
    for (const bad of ['', '/../x', 'a:b', 'x.', 'x ', 'y'.repeat(41)]) expect(isSuffixUsable(bad), bad).toBe(false);
  });
});
