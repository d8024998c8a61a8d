import { firstThingIds, type JobCard, listPutBack, openTrial, type StepId } from '@/core/card';
import type { CardOverview, NamedCause } from '@/core/diagnose';
import { rationalToNumber } from '@/core/numbers/rational';
import { formatCount, formatFps, formatMemory, formatRate } from '@/messages/format';
import { causeTexts } from '@/messages/load';

function describeCauseShortly(cause: NamedCause): string {
  switch (cause.kind) {
    case 'usable':
      return 'usable now';
    case 'diagnosed':
      return causeTexts[cause.id].short;
    case 'estimated':
      return 'only estimated so far';
    case 'unknown':
      return 'no cause named yet';
    default:
      return cause satisfies never;
  }
}

/** What is known at a step, in a few words for the rail; each stays on one line. */
export function describeStepState(stepId: StepId, card: JobCard, overview: CardOverview, cause: NamedCause): string {
  switch (stepId) {
    case 'first-things': {
      const answered = firstThingIds.filter((id) => card.firstThings[id] !== 'unknown').length;
      return `${answered} of ${firstThingIds.length} answered`;
    }
    case 'machine':
      return `${formatCount(card.machine.coreCount.value, 'core')}, ${formatMemory(card.machine.memoryMib.value)}`;
    case 'footage':
      return card.clips.length === 0 ? 'no clips yet' : formatCount(card.clips.length, 'clip');
    case 'timeline': {
      const { heightPx, frameRate, stated } = card.timeline;
      const rate = formatFps(rationalToNumber(frameRate));
      return stated.length > 0 ? `${heightPx} high at ${rate}` : `assumed: ${heightPx} at ${rate}`;
    }
    case 'symptoms': {
      // A reading of a set-up that was undone says nothing of how it is now.
      const { reading, isReadingInForce } = overview;
      if (!reading) return 'no reading yet';
      if (!isReadingInForce) return 'to be read again';
      return reading.shownFps === null ? 'scrubbing judged' : `read ${formatRate(reading.shownFps)} a second`;
    }
    case 'findings':
      return describeCauseShortly(cause);
    case 'fixes': {
      const kept = card.trials.filter((trial) => trial.status === 'kept').length;
      const undone = card.trials.filter((trial) => trial.status === 'undone').length;
      if (openTrial(card)) return 'a trial is under way';
      return kept + undone === 0 ? 'none tried yet' : `${kept} kept, ${undone} undone`;
    }
    case 'export-check': {
      const open = listPutBack(card).filter((line) => !line.isDone && !line.isOnlyALook).length;
      return open === 0 ? 'nothing to put back' : `${formatCount(open, 'thing')} to put back`;
    }
  }
}
