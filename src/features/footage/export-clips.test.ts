import { parse } from 'papaparse';
import { describe, expect, it } from 'vitest';
import { createCardClip, createJobCard } from '@/core/card';
import { type ClipRow, listClipRows } from '@/core/diagnose';
import { videoFacts } from '../../../tests/arbitrary/clips';
import { toClipCsv, toClipJson } from './export-clips';

const rowsOf = (...fileNames: readonly string[]): readonly ClipRow[] =>
  listClipRows({
    ...createJobCard({ id: 'c', title: 'c', nowMs: 0 }),
    clips: fileNames.map((fileName, i) => createCardClip({ id: `${i}`, facts: videoFacts({ fileName }) })),
  });

describe('toClipCsv', () => {
  it('gives a line a clip that reads back, whatever the names hold', () => {
    const names = ['a, "b".mp4', 'two\nlines.mp4', 'ändern.mp4'];
    const { data } = parse<Record<string, string>>(toClipCsv(rowsOf(...names)).trimEnd(), { header: true });
    expect(data.map((line) => line.fileName)).toEqual(names);
    expect(data[0]).toMatchObject({ codec: 'h264', widthPx: '1920', frameRateFps: '25', kind: 'video' });
  });

  it('lets no name become a formula', () => {
    const names = ['=cmd|calc!A1.mp4', '+1.mp4', '-1.mp4', '@sum.mp4', '\tx.mp4', '\rx.mp4'];
    const { data } = parse<string[]>(toClipCsv(rowsOf(...names)).trimEnd());
    for (const [name = ''] of data.slice(1)) expect(name).toMatch(/^'/);
  });
});

describe('toClipJson', () => {
  it('holds every fact, with traits and costs', () => {
    const [clip] = JSON.parse(toClipJson(rowsOf('a.mp4')));
    expect(clip).toMatchObject({ ...videoFacts({ fileName: 'a.mp4' }), hardware: { state: 'likely' } });
    expect(clip.cost.ownMs).toBeGreaterThan(0);
  });
});
