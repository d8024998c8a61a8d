import { inferPosterior } from '@/core/belief';
import {
  applyCommand,
  type CardCommand,
  createReading,
  deriveBaseState,
  fixesInForce,
  type JobCard,
  latestReading,
  type MeasuredReading,
  openTrial,
  testableClip,
} from '@/core/card';
import { adviseTrial, type NextTest, type TrialAdvice } from '@/core/diagnose';
import { applyFixes, type FixAtLevel, findFix } from '@/core/fixes';
import { summariseChanges } from '@/core/meter';
import { createRandom } from '@/core/numbers/random';
import { listChanges } from '@/core/practice';
import { toMeasuredReading } from '@/core/readings';
import { applyChanges, benchGap, measureRig, type Rig, type RigChange, type RigOutcome } from '@/core/simulate';
import { answerAbout, type PracticeCase, playClip, readPreview } from '@/core/simulate/cases';

/** A trial's minutes beside the fix's own effort. */
const readingMinutes = 1;
/** To see whether it slows down after a while, somebody has to work for a while. */
const laterMinutes = 8;
/** Putting a fix back as it was. */
const undoRatio = 0.4;
/** Unsolved counts as this. */
export const mostMinutes = 120;
/** People misjudge now and then whether they can work like this. */
const misjudgedRatio = 0.04;
/** A preview this near to usable is usable. */
const usableGap = 0.03;
/** What a shared window delivers at most, frames a second. */
const windowFps = 60;

const outcomes = new Map<string, RigOutcome>();

/** What the lag meter says of the pictures that came; null where they are too few for it. */
function measuredOf(targetFps: number, shownAtMs: readonly number[]): MeasuredReading | null {
  const changes = shownAtMs.map(() => 1);
  const result = summariseChanges(changes, shownAtMs, { isExact: true, clipFps: targetFps, ceilingFps: windowFps });
  return result.ok ? toMeasuredReading(result.value, { source: 'window', pace: 'unknown', ownLoadRatio: null }) : null;
}

/** One person with one lagging project: they know the card, and what they see; the rig is hidden from what advises them. */
export class Session {
  card: JobCard;
  minutes = 0;
  trialCount = 0;
  private nextId = 2;

  constructor(readonly practice: PracticeCase) {
    const { card, person } = practice;
    this.card = card;
    const measured = person.way === 'metered' ? this.measuredUnder([], false) : null;
    this.card = { ...card, readings: card.readings.map((reading) => ({ ...reading, measured })) };
    this.minutes += readingMinutes;
  }

  /** The session's own clock: what was done before something else was done before it. */
  private get nowMs(): number {
    return Math.round(this.minutes * 60_000);
  }

  private run(command: CardCommand): void {
    const result = applyCommand(this.card, command, this.nowMs);
    if (!result.ok) throw new Error(`session: ${command.type} ${JSON.stringify(result.failure)}`);
    this.card = result.value;
  }

  /** The fixes as the person makes them: proxies of the clips that Oil Can lists by what the card says now. */
  private changesOf(fixes: readonly FixAtLevel[]): readonly RigChange[] {
    return listChanges(deriveBaseState(this.card, []), fixes);
  }

  rigUnder(fixes: readonly FixAtLevel[]): Rig {
    return applyChanges(this.practice.rig, this.changesOf(fixes));
  }

  outcomeUnder(fixes: readonly FixAtLevel[]): RigOutcome {
    const key = `${this.practice.seed} ${JSON.stringify(this.changesOf(fixes))}`;
    const known = outcomes.get(key) ?? measureRig(this.rigUnder(fixes), this.practice.seed);
    outcomes.set(key, known);
    return known;
  }

  /** A meter tells more than a rate: when each picture came, and how long the longest stood. */
  private measuredUnder(fixes: readonly FixAtLevel[], isLater: boolean): MeasuredReading | null {
    const outcome = this.outcomeUnder(fixes);
    return measuredOf(this.rigUnder(fixes).targetFps, isLater ? outcome.laterShownAtMs : outcome.shownAtMs);
  }

  gapUnder(fixes: readonly FixAtLevel[]): number {
    return benchGap(this.rigUnder(fixes), this.outcomeUnder(fixes), this.practice.complaints);
  }

  /** Whether the person says that they could edit like this. */
  private isGoodEnough(fixes: readonly FixAtLevel[]): boolean {
    const isUsable = this.gapUnder(fixes) <= usableGap;
    return createRandom(this.practice.person.seed + 31 * this.nextId).isTrue(misjudgedRatio) ? !isUsable : isUsable;
  }

  isSatisfied(): boolean {
    return latestReading(this.card)?.isGoodEnough === 'yes';
  }

  takeReading(): void {
    const { person, complaints, rig } = this.practice;
    const fixes = fixesInForce(this.card);
    const isLater = complaints.includes('later');
    const figures = readPreview(
      person,
      { ...rig, ...this.rigUnder(fixes) },
      this.outcomeUnder(fixes),
      this.nextId,
      isLater,
    );
    const reading = createReading({
      id: `reading-${this.nextId++}`,
      takenAtMs: this.nowMs,
      how: person.way === 'metered' ? 'metered' : 'typed',
      moment: isLater ? 'later' : 'start',
      measured: person.way === 'metered' ? this.measuredUnder(fixes, isLater) : null,
      ...figures,
      isGoodEnough: this.isGoodEnough(fixes) ? 'yes' : 'no',
    });
    this.run({ type: 'addReading', input: { reading } });
    this.minutes += readingMinutes + (isLater ? laterMinutes : 0);
  }

  effortOf({ id, level }: FixAtLevel): number {
    return findFix(id)?.effortMinutes(applyFixes(deriveBaseState(this.card), fixesInForce(this.card)), level) ?? 0;
  }

  /** Makes a fix and reads again; the trial stays open. */
  try(fix: FixAtLevel): void {
    if (fixesInForce(this.card).length > 0 && this.needsReadingFirst()) this.takeReading();
    this.minutes += this.effortOf(fix);
    this.run({ type: 'beginTrial', input: { id: `trial-${this.nextId}`, fix, nowMs: this.nowMs } });
    this.trialCount++;
    this.takeReading();
  }

  private needsReadingFirst(): boolean {
    const fixes = JSON.stringify(fixesInForce(this.card));
    return !this.card.readings.some((reading) => JSON.stringify(reading.fixes) === fixes);
  }

  end(outcome: 'kept' | 'undone'): void {
    const trial = openTrial(this.card);
    if (!trial) throw new Error('session: no trial is open');
    if (outcome === 'undone') this.minutes += undoRatio * Math.min(10, this.effortOf(trial.fix));
    this.run({ type: 'endTrial', input: { id: trial.id, outcome, nowMs: this.nowMs } });
  }

  /** What each respect gained, this reading against the one before the trial; above 1 is better. */
  private gainsOfTrial(): readonly number[] {
    const trial = openTrial(this.card);
    const before = this.card.readings.find(({ id }) => id === trial?.beforeReadingId);
    const after = this.card.readings.find(({ id }) => id === trial?.afterReadingId);
    if (!before || !after) return [1];
    const feels = ['stands-still', 'stumbles', 'uneven', 'nearly-smooth', 'smooth'];
    const scrubs = ['unusable', 'jumpy', 'fine'];
    const { complaints } = this.practice;
    const gains: number[] = [];
    if (complaints.includes('playing') || complaints.includes('later')) {
      if (before.shownFps !== null && after.shownFps !== null)
        gains.push(after.shownFps / Math.max(0.05, before.shownFps));
      if (before.playFeel && after.playFeel)
        gains.push(1 + 0.3 * (feels.indexOf(after.playFeel) - feels.indexOf(before.playFeel)));
    }
    if (complaints.includes('scrubbing')) {
      if (before.scrubMs && after.scrubMs) gains.push(before.scrubMs / after.scrubMs);
      else if (before.scrubFeel && after.scrubFeel)
        gains.push(1 + 0.3 * (scrubs.indexOf(after.scrubFeel) - scrubs.indexOf(before.scrubFeel)));
    }
    if (complaints.includes('opening') && before.openingSec && after.openingSec)
      gains.push(before.openingSec / after.openingSec);
    return gains.length > 0 ? gains : [after.isGoodEnough === 'yes' ? 2 : 1];
  }

  /** What Oil Can advises of the open trial, by all that is known. */
  advise(): TrialAdvice {
    const trial = openTrial(this.card);
    const advice = trial && adviseTrial(this.card, trial, inferPosterior(this.card));
    if (!advice) throw new Error('session: nothing to advise about');
    return advice;
  }

  /** The most that any respect gained. */
  gainOfTrial(): number {
    return Math.max(...this.gainsOfTrial());
  }

  /** Takes a kept fix back and reads again. */
  takeBack(fix: FixAtLevel): void {
    const trial = this.card.trials.find(
      (kept) => kept.status === 'kept' && kept.fix.id === fix.id && kept.fix.level === fix.level,
    );
    if (!trial) return;
    this.run({ type: 'undoKeptTrial', input: { id: trial.id, nowMs: this.nowMs } });
    this.minutes += 2;
    this.takeReading();
  }

  /** Takes a kept fix back and looks, at two stretches, whether it is still usable; puts it in again where not. */
  giveBack(fix: FixAtLevel): void {
    const before = this.card;
    this.takeBack(fix);
    if (this.isSatisfied()) this.takeReading();
    if (!this.isSatisfied()) this.card = before;
  }

  /** Lets Oil Can decode a clip on this machine. */
  playClip(): void {
    const { person } = this.practice;
    const clip = testableClip(this.card);
    const rig = this.rigUnder(fixesInForce(this.card));
    const test = clip && playClip(person, rig, clip, { index: this.card.clips.indexOf(clip), nowMs: this.nowMs });
    if (!test) throw new Error('session: no clip can be played');
    this.run({ type: 'addDecodeTest', input: { test } });
  }

  /** Takes a look: answers, or lets Oil Can measure. */
  look({ kind, id }: NextTest): void {
    if (kind === 'test-play') this.playClip();
    else this.answer(id);
  }

  answer(questionId: string): void {
    const { person } = this.practice;
    const fixes = fixesInForce(this.card);
    const answer = answerAbout(person, questionId, this.rigUnder(fixes), this.outcomeUnder(fixes));
    if (answer === null) {
      this.run({ type: 'refuseTest', input: { test: { id: questionId, level: null } } });
      return;
    }
    this.run({
      type: 'answerQuestion',
      input: { answer: { id: `answer-${this.nextId++}`, questionId, answer, takenAtMs: this.nowMs } },
    });
  }
}

/** How one way of going about it ended. */
export interface Ending {
  readonly isUsable: boolean;
  readonly minutes: number;
  readonly trialCount: number;
  readonly needlessCount: number;
  readonly harmfulCount: number;
}

/** What a session came to: by the truth, not by what was read. */
export function endingOf(session: Session, minutes: number): Ending {
  const kept = fixesInForce(session.card);
  const gap = session.gapUnder(kept);
  const isUsable = gap <= usableGap;
  const without = kept.map((fix) => session.gapUnder(kept.filter((other) => other !== fix)));
  return {
    isUsable,
    minutes: isUsable ? Math.min(mostMinutes, minutes) : mostMinutes,
    trialCount: session.trialCount,
    needlessCount: without.filter((other) => other <= Math.max(gap + 0.005, isUsable ? usableGap : 0)).length,
    harmfulCount: without.filter((other) => other < gap - 0.05).length,
  };
}
