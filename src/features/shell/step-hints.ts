import { firstThingIds, type JobCard, latestReading, listPutBack, openTrial, type StepId } from '@/core/card';
import type { CardOverview } from '@/core/diagnose';
import { rationalToNumber } from '@/core/numbers/rational';
import { formatCount, formatFps, formatMemory } from '@/messages/format';
import { causeTexts } from '@/messages/load';

/** What is known at a step, in a few words for the rail; each stays on one line. */
export function describeStepState(stepId: StepId, card: JobCard, overview: CardOverview): string {
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
      const { heightPx, frameRate, isDescribed } = card.timeline;
      const rate = formatFps(rationalToNumber(frameRate));
      return isDescribed ? `${heightPx} lines at ${rate}` : `assumed: ${heightPx} at ${rate}`;
    }
    case 'symptoms': {
      const reading = latestReading(card);
      if (!reading) return 'no reading yet';
      return reading.shownFps === null ? 'scrubbing judged' : `read ${formatFps(reading.shownFps)} a second`;
    }
    case 'findings':
      return overview.findings.bindingCause ? causeTexts[overview.findings.bindingCause].short : 'should be usable';
    case 'fixes': {
      const kept = card.trials.filter((trial) => trial.status === 'kept').length;
      const undone = card.trials.filter((trial) => trial.status === 'undone').length;
      if (openTrial(card)) return 'a trial is under way';
      return kept + undone === 0 ? 'none tried yet' : `${kept} kept, ${undone} undone`;
    }
    case 'export-check': {
      const open = listPutBack(card).filter((line) => !line.isDone).length;
      return open === 0 ? 'nothing to put back' : `${formatCount(open, 'thing')} to put back`;
    }
  }
}
