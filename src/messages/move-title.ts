import type { NextMove } from '@/core/diagnose';
import { fixTitle } from './fix-titles';
import { questionTexts } from './questions';
import { testPlayLook } from './test-play';

/** A step that the belief proposes, as a heading: the same on every page. Null where it has nothing left. */
export function titleOfMove(move: NextMove): string | null {
  switch (move.kind) {
    case 'ask': {
      const { id, kind } = move.test;
      if (kind === 'test-play') return testPlayLook.titleOfAny;
      return id in questionTexts ? questionTexts[id as keyof typeof questionTexts].question : null;
    }
    case 'try':
    case 'follow-plan':
    case 'ease':
      return fixTitle(move.fix.id, move.fix.level);
    case 'give-back':
      return `Give back: ${fixTitle(move.fix.id, move.fix.level)}`;
    case 'nothing-left':
      return null;
    default:
      return move satisfies never;
  }
}
