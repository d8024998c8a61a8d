import type { NamedCause, Need } from '@/core/diagnose';
import { causeTitles } from './cause-titles';
import { describeProbability, formatChance } from './diagnosis';

interface NeedText {
  /** As a part of a sentence. */
  readonly what: string;
  /** As something to do. */
  readonly todo: string;
}

/** What would have to be told or read before a cause is named. */
export const needTexts: Readonly<Record<Need, NeedText>> = {
  footage: { what: 'your footage', todo: 'Add your footage' },
  layers: { what: 'how many layers and titles there are', todo: 'Say how many layers and titles there are' },
  effects: { what: 'which effects there are', todo: 'Say which effects there are, or that there are none' },
  reading: { what: 'how it plays now', todo: 'Say how it plays now' },
};

/** "your footage, and how it plays now". */
const listNeeds = (needs: readonly Need[]): string => {
  const parts = needs.map((need) => needTexts[need].what);
  return parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? 'more of it');
};

/** What is said of the cause, and by what, the same on every page. */
export function describeNamedCause(named: NamedCause): { readonly title: string; readonly by: string } {
  switch (named.kind) {
    case 'usable':
      return { title: 'Usable', by: 'by your last reading' };
    case 'diagnosed':
      return {
        title: causeTitles[named.id],
        by: `${describeProbability(named.probability)}, ${formatChance(named.probability)}`,
      };
    case 'estimated':
      return named.id === null
        ? { title: 'It should be usable', by: 'only estimated so far' }
        : { title: causeTitles[named.id], by: 'only estimated so far' };
    case 'unknown':
      return { title: 'No cause can be named yet', by: `Not known yet: ${listNeeds(named.needs)}.` };
    default:
      return named satisfies never;
  }
}
