// The net under changes that are to change no answer: findings and what-if of eighty made cards, over all moments of lag, player
// designs, ways of reading and stages of a trial. `npm run -s bench:answers -- --write FILE` keeps them,
// `-- --against FILE` holds today's against them; the last line is one JSON object, and any difference over 1e-9 fails.
import { readFileSync, writeFileSync } from 'node:fs';
import { applyCommand, type CardCommand, createReading, type JobCard } from '@/core/card';
import { computeWhatIf, diagnose, summariseCard } from '@/core/diagnose';
import { createRandom } from '@/core/numbers/random';
import { createCase, type PracticeCase, playClip } from '@/core/simulate/cases';
import { loadDemoCards } from '@/demo/load-demo-cards';

const caseCount = 80;
const firstSeed = 7001;
/** Equal but for the order in which a machine adds. */
const tolerance = 1e-9;

const carryOut = (card: JobCard, ...commands: readonly CardCommand[]): JobCard =>
  commands.reduce((current, command) => {
    const done = applyCommand(current, command, current.updatedAtMs + 60_000);
    // Not every case allows everything: then it stays as it was.
    return done.ok ? done.value : current;
  }, card);

const readingOf = (id: string, card: JobCard, shownFps: number): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs: card.updatedAtMs + 1000, shownFps, scrubFeel: 'jumpy' }) },
});

const fixes = [
  { id: 'lower-preview-quality', level: '1/2' },
  { id: 'make-proxies', level: 540 },
  { id: 'bypass-effects', level: 'all' },
  { id: 'turn-on-hardware-decode', level: null },
] as const;

/** The card some way on: with a second reading, on trial, kept, with a played clip, or as it came. */
function carryOn({ card, person, rig, seed }: PracticeCase): JobCard {
  const random = createRandom(seed);
  const fix = random.pick(fixes);
  const base = card.readings[0]?.shownFps ?? 10;
  const begin: CardCommand = { type: 'beginTrial', input: { id: 'trial', fix, nowMs: card.updatedAtMs } };
  const made: CardCommand = { type: 'markTrialMade', input: { id: 'trial', madeAtMs: card.updatedAtMs } };
  const second = readingOf('second', card, base * random.between(0.9, 1.8));
  const [clip] = card.clips;
  const played = clip ? playClip(person, rig, clip, { index: 0, nowMs: card.updatedAtMs }) : null;
  switch (seed % 5) {
    case 0:
      return card;
    case 1:
      return carryOut(card, readingOf('again', card, base * random.between(0.97, 1.03)));
    case 2:
      return carryOut(card, begin, made);
    case 3:
      return carryOut(card, begin, made, second, {
        type: 'endTrial',
        input: { id: 'trial', outcome: random.isTrue(0.6) ? 'kept' : 'undone', nowMs: card.updatedAtMs },
      });
    default:
      return played ? { ...card, decodeTests: [played] } : card;
  }
}

function answersOf(card: JobCard) {
  const { minutesSpent: _, ...diagnosis } = { minutesSpent: null, ...diagnose(card, { sampleCount: 1500 }) };
  const { posterior, ...said } = diagnosis;
  return {
    id: card.id,
    // What is believed stands in what is said; the samples themselves are large.
    sampleCount: posterior.sampleCount,
    said,
    overview: summariseCard(card),
    whatIf: fixes.map((fix) => computeWhatIf(card, posterior, [fix])),
  };
}

/** Where two answers differ, by path, with both sides. */
function differencesOf(a: unknown, b: unknown, path = ''): readonly string[] {
  if (typeof a === 'number' && typeof b === 'number')
    return Math.abs(a - b) <= tolerance * Math.max(1, Math.abs(a), Math.abs(b)) ? [] : [`${path}: ${a} → ${b}`];
  if (typeof a === 'object' && a !== null && typeof b === 'object' && b !== null) {
    const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])];
    return keys.flatMap((key) => differencesOf(Reflect.get(a, key), Reflect.get(b, key), `${path}.${key}`));
  }
  return Object.is(a, b) ? [] : [`${path}: ${JSON.stringify(a)} → ${JSON.stringify(b)}`];
}

const option = (name: string): string | null => {
  const at = process.argv.indexOf(name);
  return at === -1 ? null : (process.argv[at + 1] ?? null);
};

const cards = [
  ...(await loadDemoCards()),
  ...Array.from({ length: caseCount }, (_, i) => carryOn(createCase(firstSeed + i))),
];
// As they come from a file: what is undefined is not there.
const answers: readonly { readonly id: string }[] = JSON.parse(JSON.stringify(cards.map(answersOf)));
const writeTo = option('--write');
const against = option('--against');
if (writeTo) writeFileSync(writeTo, JSON.stringify(answers));
const before: readonly { readonly id: string }[] = against ? JSON.parse(readFileSync(against, 'utf8')) : answers;
const different = answers.flatMap((answer, i) => {
  const differences = differencesOf(before[i], answer);
  if (differences.length > 0)
    console.log(`${answer.id}: ${differences.length} differ; ${differences.slice(0, 4).join('; ')}`);
  return differences.length > 0 ? [answer.id] : [];
});
console.log(
  JSON.stringify({ bench: 'answers', cardCount: answers.length, isHeldAgainst: against !== null, different }),
);
if (different.length > 0) process.exitCode = 1;
