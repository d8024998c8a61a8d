import { groups } from 'd3-array';
import {
  type Belief,
  type ComponentOutcomes,
  type ComponentShares,
  inMemoryRatio,
  isMeteredOn,
  outcomesUnder,
  predictedFpsOfWays,
  predictedReadRate,
  predictedSoftwareFps,
  type QuestionId,
  questionCatalogue,
  type SampleView,
  statedReadRate,
  usableGap,
  viewSamples,
} from '../../belief';
import { type FixUse, hardwareVerdictOf, isPlayable, type JobCard, tellsOfDrive, testableClip } from '../../card';
import type { CauseId } from '../../causes';
import { effectKeyOf, type FixId, type FixLevel, gentlestOf } from '../../fixes';
import { compile, createOutcomes, evaluate, type Outcomes } from '../../load';
import { isTelling, mostToldMegabytePerSec, toTestedStream } from '../../test-play';
import { extentOfComplaint, feltScrubMs, fillAllGaps, fillGaps, type Respect } from '../../usable';
import { entropyOf, ShareHistogram, weighedCount, weighedSampleCount } from '../answer/share-histogram';
import type { Candidate } from './candidates';
import { statesToTellBy } from './states-to-tell-by';

/** The name under which a test-play stands among the next tests. */
export const testPlayId = 'test-play';

/** A step that would tell something, cure, or both. */
export interface NextTest {
  /** A fix to try, a question to answer, or a clip to be decoded here, which measures the machine. */
  readonly kind: 'fix' | 'question' | 'test-play';
  readonly id: FixId | QuestionId | typeof testPlayId;
  readonly level: FixLevel;
  /** What its outcome is expected to say about the causes, in bits. */
  readonly bits: number;
  /** How likely the preview is usable with it. */
  readonly cureProbability: number;
  readonly minutes: number;
  /** Worth a minute; the order of the list. */
  readonly score: number;
  /** A gentler level cures as surely: this one goes first only for what it tells. */
  readonly isToFindOut: boolean;
  /** Other fixes that come to the very same. */
  readonly otherWays: readonly { readonly id: FixId; readonly level: FixLevel }[];
}

/** A step with how certain its outcome is, 0 to 1. */
type WeighedTest = Omit<NextTest, 'isToFindOut' | 'otherWays'> & { readonly certainty: number };

/** What is left to do where nothing is known yet, in minutes: about what a lap through a list of tips takes. Assumption. */
export const unknownMinutesLeft = 40;
/** Below this worth a step is not worth taking. */
export const leastScore = 0.05;
/** Below this many bits little is left to be found out. */
const leastBitsLeft = 0.4;
/** An outcome this certain is not worth a look, unless it cures. */
const knownRatio = 0.95;
/**
 * A look changes nothing and cannot go wrong, and what it tells stays true: it is worth so many times a trial that tells
 * as much. Weighed on seeds 1 to 300.
 */
const lookBonus = 5;
/** A coarser level goes first only where trying it tells so much more, in bits, and is worth so many times as much. Assumption. */
const leastBitsMore = 0.15;
const leastTimesWorth = 1.5;
/** Taking a reading after a change. */
export const readingMinutes = 1;

/** Width of a histogram's column, in logarithms: about what two readings differ by. */
const columnWidth = 0.22;
const columnCount = 48;

/** The outcome that a reading of a respect looks at; scrubbing is felt by its slow jumps too. */
const outcomeOf: Readonly<Record<Exclude<Respect, 'scrubbing'>, keyof Outcomes>> = {
  playing: 'shownFps',
  'in-time': 'shownFps',
  'every-picture': 'shownFps',
  later: 'laterFps',
  opening: 'openingSec',
  looking: 'lookMs',
  cuts: 'cutMs',
  waiting: 'fitSec',
};

/** The respect with the largest gap: a reading after a change looks at that one first. */
function worstRespect({ complaint }: Belief, components: readonly ComponentOutcomes[]): Respect {
  const [first, ...others] = complaint;
  if (!first) throw new Error('worstRespect: nothing is complained of');
  const gapIn = (respect: Respect): number =>
    components.reduce((sum, { component, state, out, sampleWeight }) => {
      const gaps = fillGaps(respect, state, out, component.count, new Float64Array(component.count));
      return sum + gaps.reduce((own, gap) => own + gap, 0) * sampleWeight;
    }, 0);
  return others.reduce((worst, respect) => (gapIn(respect) > gapIn(worst) ? respect : worst), first);
}

const scoreOf = (cureProbability: number, bits: number, bitsLeft: number, minutes: number): number =>
  (cureProbability * unknownMinutesLeft + (bits / Math.max(leastBitsLeft, bitsLeft)) * unknownMinutesLeft) / minutes;

/** The column of a histogram that a predicted figure falls into. */
const columnOfFigure = (figure: number): number =>
  Math.max(0, Math.min(columnCount - 1, Math.round(Math.log(Math.max(1e-3, figure)) / columnWidth + columnCount / 3)));

/** The set-up in force as every component sees it; fixes are compared with it. */
interface AsIs {
  readonly shares: readonly ComponentShares[];
  readonly components: readonly ComponentOutcomes[];
  readonly respect: Respect;
  readonly bitsLeft: number;
  /** Bits that reading again without a change would tell: only what a fix tells beyond that is its own. */
  readonly bitsOfReading: number;
}

const evenly = new Float64Array(weighedSampleCount).fill(1);

const felt = new Float64Array(weighedSampleCount);

/** What a reading of a respect would show of each of the first `count` samples; only to be read, and at once. */
function figuresOf(respect: Respect, out: Outcomes, count: number): Float64Array {
  if (respect !== 'scrubbing') return out[outcomeOf[respect]];
  for (let i = 0; i < count; i++) felt[i] = feltScrubMs(out.scrubMs[i] as number, out.scrubSlowMs[i] as number);
  return felt;
}

/** The columns that the samples of a component fall into. */
function columnsOf(figures: Float64Array, count: number): Int32Array {
  const columnOf = new Int32Array(count);
  for (let i = 0; i < count; i++) columnOf[i] = columnOfFigure(figures[i] as number);
  return columnOf;
}

/** Bits that a reading of the set-up in force would tell. */
function bitsOfReadingAgain(
  shares: readonly ComponentShares[],
  components: readonly ComponentOutcomes[],
  respect: Respect,
): number {
  const histogram = new ShareHistogram(columnCount);
  for (const [p, { component, out }] of components.entries())
    histogram.add(
      shares[p] as ComponentShares,
      evenly,
      columnsOf(figuresOf(respect, out, weighedCount(component)), weighedCount(component)),
    );
  return histogram.blurred().tell().bits;
}

/** What trying a fix would tell, and how likely it cures. */
function weighFix(
  { complaint }: Belief,
  { shares, components, respect, bitsLeft, bitsOfReading }: AsIs,
  candidate: Candidate,
): WeighedTest {
  const histogram = new ShareHistogram(columnCount);
  const extent = extentOfComplaint(complaint);
  const changedOut = createOutcomes(weighedSampleCount);
  const gaps = new Float64Array(weighedSampleCount);
  let cured = 0;
  let ill = 0;
  for (const [p, { component, state, out }] of components.entries()) {
    const count = weighedCount(component);
    const own = shares[p] as ComponentShares;
    const weight = component.weight / count;
    const changed = candidate.fix.applyTo(state, candidate.level);
    // Under most hypotheses most fixes change nothing, and need no work.
    const isSame = changed === state;
    if (!isSame) evaluate(compile(changed, 'heaviest'), component.samples, changedOut, { to: count, extent });
    const shown = isSame ? out : changedOut;
    if (!isSame) fillAllGaps(complaint, changed, shown, count, gaps);
    for (let i = 0; i < count; i++) {
      if ((own.gaps[i] as number) <= usableGap) continue;
      ill += weight;
      if (!isSame && (gaps[i] as number) <= usableGap) cured += weight;
    }
    histogram.add(own, evenly, columnsOf(figuresOf(respect, shown, count), count));
  }
  const cureProbability = ill > 0 ? Math.min(1, cured / ill) : 0;
  const minutes = candidate.minutes + readingMinutes;
  const { bits: told, certainty } = histogram.blurred().tell();
  const bits = Math.max(0, told - bitsOfReading);
  return {
    kind: 'fix',
    id: candidate.id,
    level: candidate.level,
    bits,
    cureProbability,
    minutes,
    score: scoreOf(cureProbability, bits, bitsLeft, minutes),
    certainty,
  };
}

/** What answering a question would tell. */
function weighQuestions(card: JobCard, belief: Belief, { shares, components, bitsLeft }: AsIs): readonly WeighedTest[] {
  const isAnswered = (id: string): boolean => card.answers.some((answer) => answer.questionId === id);
  const isRefused = (id: string): boolean => card.refused.some((test) => test.id === id);
  const isOpen = (id: string): boolean => !isAnswered(id) && !isRefused(id);
  const open = questionCatalogue.filter(
    (question) => isOpen(question.id) && !isMeteredOn(card, question) && question.canAsk(belief.base),
  );
  const lookedOut = createOutcomes(weighedSampleCount);
  return open.map((question) => {
    const histogram = new ShareHistogram(question.answers.length);
    for (const [p, { component, state, out }] of components.entries()) {
      const count = weighedCount(component);
      const looked = question.lookAt?.(component.hypothesis.state, state) ?? state;
      const isSame = looked === state;
      const extent = question.extent ?? 'all';
      if (!isSame) evaluate(compile(looked, 'heaviest'), component.samples, lookedOut, { to: count, extent });
      const view = viewSamples(looked, component.samples, isSame ? out : lookedOut);
      const masses = question.answers.map(() => new Float64Array(count));
      for (view.index = 0; view.index < count; view.index++)
        for (const [at, chance] of question.chances(view, belief.complaint).entries())
          (masses[at] as Float64Array)[view.index] = chance;
      for (const [at, massOf] of masses.entries())
        histogram.add(shares[p] as ComponentShares, massOf, new Int32Array(count).fill(at));
    }
    const { bits } = histogram.tell();
    return {
      kind: 'question' as const,
      id: question.id,
      level: null,
      bits,
      cureProbability: 0,
      minutes: question.minutes,
      score: lookBonus * scoreOf(0, bits, bitsLeft, question.minutes),
      certainty: 0,
    };
  });
}

/** From the press of the button until the clip has been played and jumped in. */
const testPlayMinutes = 1;

/** What a rate would tell that is measured outside of the editor, in bits; one time in `hiddenRatio` it shows `most`. */
function bitsOfRate(
  { shares, components }: AsIs,
  predict: (view: SampleView) => number,
  { hiddenRatio, most }: { readonly hiddenRatio: number; readonly most: number },
): number {
  const histogram = new ShareHistogram(columnCount);
  for (const [p, { component, state, out }] of components.entries()) {
    const count = weighedCount(component);
    const view = viewSamples(state, component.samples, out);
    const figures = new Float64Array(count);
    for (view.index = 0; view.index < count; view.index++) figures[view.index] = Math.min(most, predict(view));
    const own = shares[p] as ComponentShares;
    histogram.add(own, new Float64Array(count).fill(1 - hiddenRatio), columnsOf(figures, count));
    if (hiddenRatio > 0)
      histogram.add(own, new Float64Array(count).fill(hiddenRatio), columnsOf(figures.fill(most), count));
  }
  return histogram.blurred().tell().bits;
}

const shownAsItIs = { hiddenRatio: 0, most: Number.POSITIVE_INFINITY } as const;

/**
 * What playing the heaviest clip here would tell: of the drive that it is read from, of the cores, and of the graphics
 * where they decode it. Null where a clip was played already, or there is none.
 */
function weighTestPlay(card: JobCard, belief: Belief, asIs: AsIs): WeighedTest | null {
  const { bitsLeft } = asIs;
  const clip = testableClip(card);
  if (!clip || card.decodeTests.length > 0 || card.refused.some(({ id }) => id === testPlayId)) return null;
  const stream = toTestedStream(clip.facts);
  const ways: readonly (typeof predictedSoftwareFps)[] = !(isPlayable(clip) && isTelling(stream))
    ? []
    : hardwareVerdictOf(card, clip).state === 'unlikely'
      ? [predictedSoftwareFps]
      : predictedFpsOfWays;
  const statedRate = tellsOfDrive(clip) ? statedReadRate(clip.id, belief.base) : null;
  const readBits =
    statedRate === null
      ? 0
      : bitsOfRate(asIs, (view) => predictedReadRate(statedRate, view), {
          hiddenRatio: inMemoryRatio,
          most: mostToldMegabytePerSec,
        });
  const bits =
    readBits + ways.reduce((sum, predict) => sum + bitsOfRate(asIs, (view) => predict(stream, view), shownAsItIs), 0);
  return {
    kind: 'test-play',
    id: testPlayId,
    level: null,
    bits: Math.min(bits, bitsLeft),
    cureProbability: 0,
    minutes: testPlayMinutes,
    score: lookBonus * scoreOf(0, bits, bitsLeft, testPlayMinutes),
    certainty: 0,
  };
}

type OfferedTest = WeighedTest & Pick<NextTest, 'isToFindOut' | 'otherWays'>;

const alone = { isToFindOut: false, otherWays: [] } as const;

/** Of the levels of one fix, gentlest first: the gentlest that cures as surely as any, or one that tells much more. */
function chooseLevel(levels: readonly WeighedTest[]): OfferedTest | null {
  const telling = levels.reduce<WeighedTest | null>(
    (best, test) => (best && best.score >= test.score ? best : test),
    null,
  );
  const gentle = gentlestOf(
    levels.map((test) => ({ test, cureProbability: test.cureProbability, gain: test.score })),
  )?.test;
  if (!telling || !gentle) return null;
  const isMuchMore = telling.bits >= gentle.bits + leastBitsMore && telling.score >= leastTimesWorth * gentle.score;
  return isMuchMore && levels.indexOf(telling) > levels.indexOf(gentle)
    ? { ...telling, isToFindOut: true, otherWays: [] }
    : { ...gentle, ...alone };
}

/** Fixes that come to the same as one entry: the first of them, with the others as further ways. */
function joinSame(tests: readonly OfferedTest[], keyOf: (test: OfferedTest) => string): readonly OfferedTest[] {
  return groups(tests, keyOf).flatMap(([, [first, ...others]]) =>
    first ? [{ ...first, otherWays: others.map(({ id, level }) => ({ id: id as FixId, level })) }] : [],
  );
}

/** How much is given back at no cost by undoing: of two of equal worth the more reversible comes first. */
const compareWorth = (a: NextTest, b: NextTest): number =>
  Math.abs(a.score - b.score) > 0.02 * Math.max(a.score, b.score) ? b.score - a.score : a.minutes - b.minutes;

/**
 * The steps worth doing next, best first: each fix at the gentlest level that cures as surely as any, those with one effect
 * as one, each open question, and a test-play. A step whose
 * outcome is over 95 % known is left out unless it cures. O(candidates × samples).
 */
export function rankNextTests(
  card: JobCard,
  belief: Belief,
  inForce: readonly FixUse[],
  shares: readonly ComponentShares[],
  candidates: readonly Candidate[],
): readonly NextTest[] {
  const masses = new Map<CauseId, number>();
  for (const { component, shares: own } of shares)
    for (const [id, values] of own)
      masses.set(
        id,
        (masses.get(id) ?? 0) + (component.weight / component.count) * values.reduce((sum, value) => sum + value, 0),
      );
  const total = [...masses.values()].reduce((sum, mass) => sum + mass, 0);
  const bitsLeft = total > 0 ? entropyOf(masses.values(), total) : 0;
  const components = outcomesUnder(belief, inForce);
  const respect = worstRespect(belief, components);
  const asIs: AsIs = {
    shares,
    components,
    respect,
    bitsLeft,
    bitsOfReading: bitsOfReadingAgain(shares, components, respect),
  };
  const fixes = candidates.map((candidate) => weighFix(belief, asIs, candidate));
  const offered = [...new Set(fixes.map(({ id }) => id))].flatMap(
    (id) => chooseLevel(fixes.filter((test) => test.id === id)) ?? [],
  );
  const states = statesToTellBy(belief, inForce);
  const fixOf = new Map(candidates.map(({ id, fix }) => [id as string, fix]));
  const joined = joinSame(offered, ({ id, level }) => {
    const fix = fixOf.get(id);
    return fix ? effectKeyOf(states, fix, level) : id;
  });
  const testPlay = weighTestPlay(card, belief, asIs);
  const looks = [...weighQuestions(card, belief, asIs), ...(testPlay ? [testPlay] : [])];
  return [...joined, ...looks.map((look) => ({ ...look, ...alone }))]
    .filter(({ certainty, cureProbability }) => certainty <= knownRatio || cureProbability > 0.3)
    .filter(({ bits, cureProbability }) => bits > 0.005 || cureProbability > 0.01)
    .map(({ certainty: _, ...test }) => test)
    .sort(compareWorth);
}
