import type { JobCard } from '../../card/types';
import { createRandom, type Random } from '../../numbers/random';
import { findPracticeFault, loadFaultIds, type PracticeFaultId, practiceFaults } from '../faults';
import { type BenchComplaint, benchComplaints, benchGap, gapInRespect } from '../gap';
import { measureRig } from '../measure';
import type { Rig, RigOutcome } from '../types';
import { drawCard } from './draw-card';
import { type DrawnFacts, drawRig, hasLastingFault, onSameBench, withCopiesInUse } from './draw-rig';
import { drawPerson, type FilmHistory, type Person, readPreview } from './person';

/** A hidden-fault case: what is true, what the person has on the card, and what they would find. */
export interface PracticeCase {
  readonly seed: number;
  readonly card: JobCard;
  readonly rig: Rig;
  /** The same with nothing hidden in it, and in words. */
  readonly sound: Rig;
  readonly facts: DrawnFacts;
  readonly person: Person;
  readonly complaints: readonly BenchComplaint[];
  /** What was hidden, or is heavy by itself. */
  readonly faultIds: readonly PracticeFaultId[];
  /** The fault whose repair in the simulator closes most of the gap. */
  readonly trueCauseId: PracticeFaultId;
  /** All whose repair closes as much: where one cures as well as another, no reading could tell them apart. */
  readonly equalCauseIds: readonly PracticeFaultId[];
}

/** The case before, how its rig was left, and whether the editor is another one now. */
export interface PreviousCase {
  readonly of: PracticeCase;
  readonly left: Rig;
  readonly isEditorAnother: boolean;
}

/** Tries on a given machine before it is about something else. */
const triesOfTheme = 40;

/** Repairs that close shares of the gap this near to each other close the same. */
const equalShare = 0.005;

/** What a case is about, with how often of a hundred. */
const caseKinds = [
  ...Array.from({ length: 52 }, () => 'one-fault' as const),
  ...Array.from({ length: 22 }, () => 'heavy-film' as const),
  ...Array.from({ length: 16 }, () => 'two-faults' as const),
  ...Array.from({ length: 10 }, () => 'outside' as const),
];

const plantable = practiceFaults.filter(({ id }) => !loadFaultIds.includes(id) && id !== 'nothing-explains-it');

/** Whether a fault can be in a rig at all, and is not there already. */
function canHide(id: PracticeFaultId, rig: Rig): boolean {
  const hasGraphics = rig.graphics.speed > 1.5;
  const canHardware = rig.graphics.decodeMegapixelPerSec > 0 && rig.clips.some((clip) => clip.original.canHardware);
  switch (id) {
    case 'hardware-decode-off':
    case 'hardware-decode-unreliable':
      return canHardware;
    case 'graphics-drawing-off':
    case 'graphics-drawing-unreliable':
    case 'graphics-memory-short':
      return hasGraphics;
    case 'wrong-graphics':
      return rig.graphics.speed > 6;
    case 'proxies-not-shown':
      return rig.clips.some((clip) => clip.original.heightPx > 540);
    default:
      return true;
  }
}

/** A fault planted; where its kind has several faces, one of them. */
function hide(id: PracticeFaultId, rig: Rig, random: Random): Rig {
  const severity = random.between(0.1, 1);
  const fault = findPracticeFault(id);
  if (!fault) throw new Error(`hide: no fault ${id}`);
  if (id === 'power-or-heat' && random.isTrue(0.4))
    return { ...rig, faults: { ...rig.faults, heatShare: 0.75 - 0.45 * severity } };
  const planted = fault.plant(rig, severity);
  if (id === 'proxies-not-shown' && random.isTrue(0.4))
    return { ...planted, faults: { ...planted.faults, areCopiesAttached: false } };
  if (id === 'memory-short' && random.isTrue(0.3))
    return { ...rig, editorGivenMib: rig.memoryMib * random.between(0.92, 1.1) };
  if (id === 'memory-short' && rig.design === 'computing-first')
    return { ...rig, previewMemoryMib: rig.previewMemoryMib * random.between(0.02, 0.15) };
  return planted;
}

/** Two respects or one: those that are wrong, the worst first; people name at most three. */
const listComplaints = (rig: Rig, outcome: RigOutcome): readonly BenchComplaint[] =>
  benchComplaints
    .map((complaint) => ({ complaint, gap: gapInRespect(rig, outcome, complaint) }))
    // What is slow later and from the start is complained of as slow.
    .filter(
      ({ complaint, gap }) => gap > 0.05 && (complaint !== 'later' || gapInRespect(rig, outcome, 'playing') < 0.05),
    )
    // Few complain of a second at a cut or of a slow clip browser while playing itself lags.
    .filter(
      ({ complaint }) =>
        (complaint !== 'cuts' && complaint !== 'looking') || gapInRespect(rig, outcome, 'playing') < 0.3,
    )
    .sort((a, b) => b.gap - a.gap)
    .slice(0, 3)
    .map(({ complaint }) => complaint);

/** Whether a fault's repair could change anything in a rig, without playing it. */
const isRepairable = (id: PracticeFaultId, { preview }: Rig, hidden: readonly PracticeFaultId[]): boolean =>
  !loadFaultIds.includes(id) &&
  // A preview larger than it is seen, or with guides on it, is how most people work; it is a fault where it is what was hidden.
  (hidden.includes(id) || (id !== 'preview-too-large' && (id !== 'preview-overdone' || preview.depthRatio > 1)));

/**
 * The share of the gap that each fault's repair closes: of what was hidden, and of what was drawn that way, such as a
 * slow drive or graphics that are switched off. What has no switch is asked after all else that matters is right.
 */
function closures(
  rig: Rig,
  hidden: readonly PracticeFaultId[],
  complaints: readonly BenchComplaint[],
  seed: number,
): readonly { readonly id: PracticeFaultId; readonly share: number }[] {
  const gapOf = (candidate: Rig): number => benchGap(candidate, measureRig(candidate, seed), complaints);
  const repair = (candidate: Rig, id: PracticeFaultId): Rig => findPracticeFault(id)?.repair(candidate) ?? candidate;
  const whole = gapOf(rig);
  if (whole <= 0) return [];
  const switched = practiceFaults
    .filter(({ id }) => isRepairable(id, rig, hidden))
    .map(({ id }) => ({ id, share: (whole - gapOf(repair(rig, id))) / whole }));
  // Hardware decoding that is slower than software is off for a reason: switching it on is no repair.
  const repaired = switched
    .filter(({ id, share }) => share > 0.05 || (share >= 0 && hidden.includes(id)))
    .reduce((current, { id }) => repair(current, id), rig);
  const left = gapOf(repaired);
  if (left <= 0.05) return switched;
  const loads = loadFaultIds.map((id) => ({ id, share: (left - gapOf(repair(repaired, id))) / whole }));
  return [...switched, ...loads];
}

interface Draft {
  readonly rig: Rig;
  /** The same with nothing hidden in it. */
  readonly sound: Rig;
  readonly facts: DrawnFacts;
  readonly hidden: readonly PracticeFaultId[];
}

/** A film that is no further from usable than this is remembered as having played well. */
const rememberedGap = 0.08;
/** What is set up for each film alike, and does not come later. */
const settledFaults: readonly PracticeFaultId[] = ['preview-too-large', 'project-mismatch', 'preview-overdone'];

/**
 * What somebody has seen of films like this one: two in three have made one, and of what is hidden seven in ten came
 * after it. Drawn by itself, so that it changes nothing else of a case.
 */
function drawHistory({ rig, sound, hidden }: Draft, complaints: readonly BenchComplaint[], seed: number): FilmHistory {
  const random = createRandom(seed * 7_368_787);
  if (!random.isTrue(0.66)) return 'first-one';
  const hasCome = random.isTrue(0.7) && hidden.every((id) => !settledFaults.includes(id));
  const before = hasCome ? sound : rig;
  return benchGap(before, measureRig(before, seed), complaints) <= rememberedGap ? 'used-to' : 'never';
}

/** What a case is to be about, fixed before the tries: otherwise what is easily drawn would crowd out the rest. */
interface Theme {
  readonly kind: (typeof caseKinds)[number];
  readonly faultId: PracticeFaultId;
}

/** One try at a case; null where it does not come out as one. */
function draftCase(
  random: Random,
  seed: number,
  { kind, faultId }: Theme,
  previous: PreviousCase | null,
): Draft | null {
  const fresh = drawRig(random);
  const drawn = previous ? onSameBench(fresh, { ...previous, facts: previous.of.facts }) : fresh;
  const sound = random.isTrue(0.08) ? withCopiesInUse(drawn.rig, random.pick([540, 720])) : drawn.rig;
  const outcome = measureRig(sound, seed);
  const all = benchComplaints.reduce((sum, complaint) => sum + gapInRespect(sound, outcome, complaint), 0);
  if (kind === 'heavy-film') return all > 0.15 ? { rig: sound, sound, facts: drawn.facts, hidden: [] } : null;
  // A fault shows where the film alone would be no burden, or little; what was left from the last film may be one.
  if (all > 0.25 && !(previous && hasLastingFault(sound))) return null;
  const first = kind === 'outside' ? ('nothing-explains-it' as const) : faultId;
  if (!canHide(first, sound)) return null;
  const rest = plantable.map(({ id }) => id).filter((id) => id !== first && canHide(id, sound));
  const hidden = kind === 'two-faults' ? [first, random.pick(rest)] : [first];
  return { rig: hidden.reduce((rig, id) => hide(id, rig, random), sound), sound, facts: drawn.facts, hidden };
}

/**
 * The case of a seed. Tries are drawn until one has a complaint and a fault whose repair closes at least a tenth
 * of the gap; the same seed always ends at the same case. After a `previous` one it is another film with other faults on
 * the same machine as that was left, in the same editor or in another.
 */
export function createCase(seed: number, previous: PreviousCase | null = null): PracticeCase {
  const random = createRandom(seed * 104_729);
  const others = plantable.filter(({ id }) => !previous?.of.faultIds.includes(id));
  const drawTheme = (): Theme => ({ kind: random.pick(caseKinds), faultId: random.pick(others).id });
  let theme = drawTheme();
  for (let attempt = 1; attempt <= 2000; attempt++) {
    // A machine that is given may not have what a theme needs, such as graphics.
    if (previous && attempt % triesOfTheme === 0) theme = drawTheme();
    const draft = draftCase(random, seed, theme, previous);
    if (!draft) continue;
    const { rig, sound, facts, hidden } = draft;
    const outcome = measureRig(rig, seed);
    const complaints = listComplaints(rig, outcome);
    if (complaints.length === 0) continue;
    const shares = [...closures(rig, hidden, complaints, seed)].sort((a, b) => b.share - a.share);
    const [first] = shares;
    if (!first || first.share < 0.1) continue;
    const person = drawPerson(seed, drawHistory(draft, complaints, seed));
    const reading = readPreview(person, rig, outcome, 0);
    const card = drawCard({ rig, facts, complaints, reading, way: person.way, id: `case-${seed}` }, random);
    const faultIds = shares.filter(({ share }) => share >= 0.1).map(({ id }) => id);
    const equalCauseIds = shares.filter(({ share }) => share >= first.share - equalShare).map(({ id }) => id);
    return { seed, card, rig, sound, facts, person, complaints, faultIds, trueCauseId: first.id, equalCauseIds };
  }
  throw new Error(`createCase: no case from seed ${seed}`);
}
