import { priorBelief } from '@/core/belief';
import { fixesInForce, type JobCard, keyOfFix } from '@/core/card';
import { chooseMove, type Diagnosis, diagnose, isTooEarly, keptState, rankCardFixes } from '@/core/diagnose';
import { type FixAtLevel, type FixId, findFix, fixCatalogue } from '@/core/fixes';
import type { Rig } from '@/core/simulate';
import type { PracticeCase } from '@/core/simulate/cases';
import { type Ending, endingOf, mostMinutes, Session } from './session';

/** A tenth better is better. */
const leastGain = 1.1;

/** What the loop with the belief concluded on its way. */
export interface LoopNotes {
  readonly ending: Ending;
  /** What it named at its end, or after three readings where it took more: mostly it has cured by then. */
  readonly named: Diagnosis['causes'];
  /** What it held likeliest before it had advised anything. */
  readonly namedAtOnce: Diagnosis['causes'];
  /** The card as it was left, and the rig: footage that was moved elsewhere is no matter of the next film. */
  readonly card: JobCard;
  readonly left: Rig;
  readonly diagnoseMs: readonly number[];
}

const namingReadings = 3;
/** A look that is expected to tell less than this, in bits, is not taken any more. */
const leastTold = 0.02;
/** Nobody makes proxies only to find out. */
const mostTrialMinutes = 15;

/**
 * What is named after three readings by somebody who wants to know before they cure: all looks that tell something, the
 * most telling first, then the trial that tells most, each taken back again.
 */
export function nameCauses(practice: PracticeCase): Diagnosis['causes'] {
  const session = new Session(practice);
  for (;;) {
    const diagnosis = diagnose(session.card);
    const hasReadings = session.card.readings.length >= namingReadings;
    const byBits = [...diagnosis.nextTests].sort((a, b) => b.bits - a.bits);
    const look = byBits.find(({ kind, bits }) => kind !== 'fix' && bits >= leastTold);
    // A reading under a change tells more than the same reading again, however little that is.
    const trial = byBits.find(({ kind, minutes }) => kind === 'fix' && minutes <= mostTrialMinutes);
    if (look) session.look(look);
    else if (hasReadings) return diagnosis.causes;
    else if (trial) {
      session.try({ id: trial.id, level: trial.level });
      session.end('undone');
    } else session.takeReading();
  }
}

/** Oil Can's own way: the belief chooses each step, and what a stronger fix made needless is given back. */
export function runLoop(practice: PracticeCase, log: (line: string) => void = () => {}): LoopNotes {
  const session = new Session(practice);
  let named: Diagnosis['causes'] | null = null;
  let namedAtOnce: Diagnosis['causes'] | null = null;
  const diagnoseMs: number[] = [];
  const look = (): Diagnosis => {
    const startedMs = performance.now();
    const diagnosis = diagnose(session.card);
    diagnoseMs.push(performance.now() - startedMs);
    namedAtOnce ??= diagnosis.causes;
    if (session.card.readings.length <= 3) named = diagnosis.causes;
    return diagnosis;
  };
  let isConfirmed = false;
  for (let step = 0; step < 40 && session.minutes < mostMinutes; step++) {
    const diagnosis = look();
    if (session.isSatisfied()) {
      // Another stretch is watched before it counts.
      if (isConfirmed) break;
      isConfirmed = true;
      session.takeReading();
      continue;
    }
    isConfirmed = false;
    const move = chooseMove(diagnosis);
    log(
      `${session.minutes.toFixed(0)} min ${JSON.stringify(diagnosis.causes.slice(0, 3).map(({ id, probability }) => `${id} ${probability.toFixed(2)}`))} -> ${JSON.stringify(move.kind === 'ask' ? move.test.id : move.kind === 'try' ? [move.fix.id, move.fix.level, move.plan?.fixes.length] : move.kind)}`,
    );
    if (move.kind === 'nothing-left') break;
    if (move.kind === 'ask') {
      session.minutes += move.test.minutes;
      session.look(move.test);
      continue;
    }
    session.try(move.fix);
    if (session.advise().isDoubtful) session.takeReading();
    const { verdict, recommended } = session.advise();
    const isStep = move.plan !== null && move.plan.fixes.length > 1 && verdict === 'no-clear-change';
    const isKept = session.isSatisfied() || recommended === 'kept' || isStep;
    log(`   ${verdict} ${isKept ? 'kept' : 'undone'} satisfied ${session.isSatisfied()}`);
    session.end(isKept ? 'kept' : 'undone');
  }
  const solvedMinutes = session.minutes;
  if (session.isSatisfied()) {
    // The newest change brought it there; earlier ones may have become needless.
    for (const fix of [...fixesInForce(session.card)].slice(0, -1)) session.giveBack(fix);
  } else for (const fix of look().giveBack) session.takeBack(fix);
  return {
    ending: endingOf(session, solvedMinutes),
    named: named ?? [],
    namedAtOnce: namedAtOnce ?? [],
    card: session.card,
    left: session.rigUnder(fixesInForce(session.card).filter(({ id }) => id !== 'move-media')),
    diagnoseMs,
  };
}

/** The fixed list: cheapest and most reversible first, a reading after each. */
const fixedList: readonly FixAtLevel[] = [
  { id: 'close-programs', level: 'all' },
  { id: 'lower-preview-quality', level: '1/2' },
  { id: 'lower-preview-quality', level: '1/4' },
  { id: 'smaller-preview-height', level: 540 },
  { id: 'skip-late-frames', level: null },
  { id: 'bypass-effects', level: 'all' },
  { id: 'turn-on-hardware-decode', level: null },
  { id: 'turn-on-graphics-drawing', level: null },
  { id: 'make-proxies', level: 540 },
  { id: 'prerender-range', level: null },
  { id: 'move-media', level: null },
];

/** Works a list down: a reading after each, kept when a tenth better, ended when usable. */
function workDown(
  practice: PracticeCase,
  next: (session: Session, tried: ReadonlySet<string>) => FixAtLevel | null,
): Ending {
  const session = new Session(practice);
  const tried = new Set<string>();
  while (session.minutes < mostMinutes && !session.isSatisfied()) {
    const fix = next(session, tried);
    if (!fix) break;
    tried.add(keyOfFix(fix));
    session.try(fix);
    session.end(session.isSatisfied() || session.gainOfTrial() >= leastGain ? 'kept' : 'undone');
  }
  return endingOf(session, session.minutes);
}

const canApply = (session: Session, fix: FixAtLevel): boolean =>
  (findFix(fix.id)?.levelsFor(keptState(session.card)).length ?? 0) > 0;

export const runFixedList = (practice: PracticeCase): Ending =>
  workDown(
    practice,
    (session, tried) => fixedList.find((fix) => !tried.has(keyOfFix(fix)) && canApply(session, fix)) ?? null,
  );

/** Ranking by the raw estimate: what the cost model expects of the card as it stands, with no belief and no learning. */
export const runRawEstimate = (practice: PracticeCase): Ending =>
  workDown(practice, (session, tried) => {
    const ranked = rankCardFixes(session.card, priorBelief(session.card));
    return ranked.find((fix) => !tried.has(keyOfFix(fix)) && findFix(fix.id)?.group !== 'upgrades') ?? null;
  });

/**
 * Every fix at every level that could be made at first, the quickest first. What is for finished sections is no cure of a film
 * that is being cut: what is baked plays, and what is still to be cut lags on.
 */
const listAll = (session: Session): readonly FixAtLevel[] =>
  fixCatalogue
    .filter(({ id, group }) => group !== 'upgrades' && group !== 'export' && !isTooEarly(session.card, id))
    .flatMap((fix) => fix.levelsFor(keptState(session.card)).map((level) => ({ id: fix.id as FixId, level })))
    .sort((a, b) => session.effortOf(a) - session.effortOf(b));

/** Fixes that cure in truth: the quickest single one, else the quickest pair or three found by going on from the best. */
export function findCure(practice: PracticeCase): readonly FixAtLevel[] | null {
  const session = new Session(practice);
  const all = listAll(session);
  const gapOf = (fixes: readonly FixAtLevel[]): number => session.gapUnder(fixes);
  const single = all.find((fix) => gapOf([fix]) <= 0.03);
  if (single) return [single];
  const best = [...all].sort((a, b) => gapOf([a]) - gapOf([b])).slice(0, 6);
  for (const first of best) {
    const pair = all.find((second) => second.id !== first.id && gapOf([first, second]) <= 0.03);
    if (pair) return [first, pair];
  }
  for (const first of best.slice(0, 3)) {
    const [second] = [...all].filter(({ id }) => id !== first.id).sort((a, b) => gapOf([first, a]) - gapOf([first, b]));
    if (!second) continue;
    const third =
      all.find(({ id }) => id !== first.id && id !== second.id) &&
      all.find((fix) => fix.id !== first.id && fix.id !== second.id && gapOf([first, second, fix]) <= 0.03);
    if (third) return [first, second, third];
  }
  return null;
}

/** The oracle knows the fault, and makes its cure. */
export function runOracle(practice: PracticeCase, cure: readonly FixAtLevel[] | null): Ending {
  const session = new Session(practice);
  for (const fix of cure ?? []) {
    session.try(fix);
    session.end('kept');
  }
  return endingOf(session, session.minutes);
}
