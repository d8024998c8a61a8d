import { type JobCard, parseCard } from '@/core/card';
import { createRandom } from '@/core/numbers/random';
import { loadDemoCards } from '@/demo/load-demo-cards';

const setups = [
  [],
  [{ id: 'close-programs', level: 'all' }],
  [{ id: 'lower-preview-quality', level: '1/2' }],
  [{ id: 'make-proxies', level: 540 }],
  [{ id: 'use-more-threads', level: null }],
];

/** A card with 200 clips and 20 readings under half a dozen set-ups: as large as a long project's gets. */
export async function createLargeCard(id: string): Promise<JobCard> {
  const [demo] = await loadDemoCards();
  const [reading] = demo?.readings ?? [];
  if (!demo || !reading) throw new Error('createLargeCard: no demo card');
  const clips = Array.from({ length: 200 }, (_, i) => ({ ...demo.clips[i % demo.clips.length], id: `clip-${i}` }));
  const random = createRandom(7);
  const readings = Array.from({ length: 20 }, (_, i) => ({
    ...reading,
    id: `reading-${i + 1}`,
    shownFps: Math.round(11 * random.factor(0.08) * 10) / 10,
    fixes: setups[i % setups.length],
  }));
  const parsed = parseCard({ ...demo, id, title: 'Two hundred clips', clips, readings });
  if (!parsed.ok) throw new Error(`createLargeCard: ${parsed.failure.code}`);
  return parsed.value;
}
