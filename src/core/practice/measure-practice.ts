import { deriveBaseState, fixesInForce, type JobCard } from '../card';
import { type GreyPicture, Meter, type MeterFailure, type MeterResult } from '../meter';
import { createRandom } from '../numbers/random';
import { fail, type Result, succeed } from '../result';
import { applyChanges, findPracticeFault, measureRig, play, type Rig, rigFromCard } from '../simulate';
import { listChanges } from './changes-on-card';
import type { PracticeFile } from './practice-file';

/** How long a practice preview is watched. */
const watchedMs = 20_000;
/** As often as a screen is drawn. */
const screenHz = 60;
const widthPx = 48;
const heightPx = 27;

/** What the practice machine's preview showed under the fixes in force. */
export interface PracticeMeasurement {
  readonly result: MeterResult;
  readonly scrubMs: number;
  readonly openingSec: number;
  /** Whether it slowed down after a while of work: the rate then. */
  readonly laterFps: number;
}

/** A bright block that steps on with every new picture over a ground that does not move. */
function drawPicture(pictureIndex: number): GreyPicture {
  const pixels = new Uint8Array(widthPx * heightPx).fill(60);
  const left = (pictureIndex * 5) % (widthPx - 10);
  const top = (pictureIndex * 3) % (heightPx - 10);
  for (let y = top; y < top + 10; y++) pixels.fill(200, y * widthPx + left, y * widthPx + left + 10);
  return { widthPx, heightPx, pixels };
}

/** The machine with its hidden faults and the fixes in force; null where the card has no video. */
export function rigOf(card: JobCard, { seed, faults }: PracticeFile): Rig | null {
  const rig = rigFromCard(card, seed);
  if (!rig) return null;
  const faulty = faults.reduce(
    (current, { id, severity }) => findPracticeFault(id)?.plant(current, severity) ?? current,
    rig,
  );
  return applyChanges(faulty, listChanges(deriveBaseState(card, []), fixesInForce(card)));
}

/**
 * Plays the practice machine's preview under the fixes in force and measures it as the lag meter does: the pictures
 * that it shows are drawn on a screen, and the meter tells from the screen when a new one came. `takenCount` is how
 * often it was measured before; no two readings are quite alike. Fails where the card has no video.
 */
export function measurePractice(
  card: JobCard,
  practice: PracticeFile,
  takenCount: number,
): Result<PracticeMeasurement, MeterFailure | { readonly code: 'no-video' }> {
  const rig = rigOf(card, practice);
  if (!rig) return fail({ code: 'no-video' });
  const random = createRandom(practice.seed + 101 * (takenCount + 1));
  // The same stretch each time, and no two times quite alike: a little later, never sooner than it can be.
  const lateRatio = 1 + Math.abs(random.factor(0.012) - 1);
  const shownAtMs = play(rig, createRandom(practice.seed), watchedMs).shownAtMs.map((ms) => ms * lateRatio);
  const meter = new Meter({ region: 'whole', isExact: true, clipFps: rig.timeline.fps, ceilingFps: screenHz });
  let shown = 0;
  for (let frame = 0; frame * (1000 / screenHz) < watchedMs; frame++) {
    const atMs = frame * (1000 / screenHz);
    while (shown < shownAtMs.length && (shownAtMs[shown] as number) <= atMs) shown++;
    meter.add(drawPicture(shown), atMs);
  }
  const { result } = meter.read(watchedMs);
  if (!result.ok) return result;
  const { scrubMs, openingSec, laterFps } = measureRig(rig, practice.seed);
  return succeed({ result: result.value, scrubMs: scrubMs * random.factor(0.03), openingSec, laterFps });
}
