import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** A demo card's text with so many clips, made of its own ones under names in order: "take-0000.mov", "take-0001.mov" … */
export function cardTextWithClips(clipCount: number, id: string, title: string): string {
  const path = fileURLToPath(new URL('../../src/demo/cards/decode-bound.json', import.meta.url));
  const card = JSON.parse(readFileSync(path, 'utf8'));
  const clips = Array.from({ length: clipCount }, (_, i) => {
    const clip = card.clips[i % card.clips.length];
    const bitrateMbitPerSec = clip.facts.bitrateMbitPerSec * (1 + (i % 7) / 10);
    const fileName = `take-${String(i).padStart(4, '0')}.mov`;
    return { ...clip, id: `clip-${i}`, facts: { ...clip.facts, bitrateMbitPerSec, fileName } };
  });
  return JSON.stringify({ ...card, id, title, clips });
}
