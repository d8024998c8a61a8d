import { isSuggested, type ProxyCandidate } from '@/core/fixes';
import { linesOf, type ProxyOriginal, type ProxyRecipe, usualRecipe } from '@/core/proxies';

/** What is to be made and how, while it is being chosen. */
export interface ProxyChoice {
  readonly recipe: ProxyRecipe;
  readonly suffix: string;
  /** Clips ticked by hand; null while what is suggested is taken. */
  readonly clipIds: ReadonlySet<string> | null;
}

export const firstChoice = (suffix: string): ProxyChoice => ({ recipe: usualRecipe, suffix, clipIds: null });

export type ChoiceEvent =
  | { readonly type: 'recipe'; readonly recipe: Partial<ProxyRecipe> }
  | { readonly type: 'suffix'; readonly suffix: string }
  | {
      readonly type: 'ticked';
      readonly candidates: readonly ProxyCandidate[];
      readonly id: string;
      readonly isTicked: boolean;
    }
  | { readonly type: 'picked'; readonly clipIds: readonly string[] }
  | { readonly type: 'suggested' };

/** The clips that are chosen: those ticked, or those suggested; never one of which none can be made. */
export const chosenOf = ({ clipIds }: ProxyChoice, candidates: readonly ProxyCandidate[]): readonly ProxyCandidate[] =>
  candidates.filter((candidate) =>
    candidate.verdict === 'small' ? false : clipIds ? clipIds.has(candidate.clip.id) : isSuggested(candidate),
  );

/** Steps the choice on; pure. */
export function stepChoice(choice: ProxyChoice, event: ChoiceEvent): ProxyChoice {
  switch (event.type) {
    case 'recipe':
      return { ...choice, recipe: { ...choice.recipe, ...event.recipe } };
    case 'suffix':
      return { ...choice, suffix: event.suffix };
    case 'ticked': {
      const ids = new Set(chosenOf(choice, event.candidates).map(({ clip }) => clip.id));
      if (event.isTicked) ids.add(event.id);
      else ids.delete(event.id);
      return { ...choice, clipIds: ids };
    }
    case 'picked':
      return { ...choice, clipIds: new Set(event.clipIds) };
    case 'suggested':
      return { ...choice, clipIds: null };
  }
}

/** What may not stand in a file's name on one of the systems, or would not pair with the original any more. */
export const isSuffixUsable = (suffix: string): boolean =>
  suffix.length > 0 &&
  suffix.length <= 40 &&
  !/[<>:"/\\|?*]/.test(suffix) &&
  !suffix.endsWith('.') &&
  !suffix.endsWith(' ');

/** All clips of at least so many lines. */
export const idsAbove = (candidates: readonly ProxyCandidate[], lines: number): readonly string[] =>
  candidates.filter(({ facts }) => linesOf(facts) >= lines).map(({ clip }) => clip.id);

/** What a clip is coded in; stills are a kind of their own. */
export const codecOf = (facts: ProxyOriginal): string => (facts.kind === 'still' ? 'still' : facts.codec);

/** All clips of a codec. */
export const idsOfCodec = (candidates: readonly ProxyCandidate[], codec: string): readonly string[] =>
  candidates.filter(({ facts }) => codecOf(facts) === codec).map(({ clip }) => clip.id);
