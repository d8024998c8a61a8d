import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import {
  compareFolder,
  createManifest,
  isStale,
  type ManifestEntry,
  parseManifest,
  usualRecipe,
  withEntry,
  withoutEntry,
} from '.';

const entry = (name: string, change: Partial<ManifestEntry> = {}): ManifestEntry => ({
  name,
  state: 'made',
  originalName: 'barn.mov',
  originalSizeBytes: 1000,
  originalModifiedMs: 5,
  recipe: usualRecipe,
  sizeBytes: 100,
  ...change,
});

describe('a folder’s list', () => {
  it('is read as it was written, and never throws on anything else', () => {
    const manifest = withEntry(createManifest('one'), entry('a.mp4'));
    expect(parseManifest(JSON.stringify(manifest))).toEqual(manifest);
    expect(parseManifest(JSON.stringify({ ...manifest, version: 2 }))).toBeNull();
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        expect(parseManifest(text)).toBeNull();
      }),
      propertyRuns,
    );
  });

  it('holds one entry of a name', () => {
    const twice = withEntry(withEntry(createManifest('one'), entry('a.mp4', { state: 'making' })), entry('a.mp4'));
    expect(twice.files).toEqual([entry('a.mp4')]);
    expect(withoutEntry(twice, 'a.mp4').files).toEqual([]);
  });

  it('takes nothing for made that was interrupted, is gone, or was changed by somebody else', () => {
    const manifest = [
      entry('whole.mp4'),
      entry('begun.mp4', { state: 'making', sizeBytes: 0 }),
      entry('gone.mp4'),
      entry('other.mp4'),
    ].reduce(withEntry, createManifest('one'));
    const state = compareFolder(manifest, [
      { name: 'whole.mp4', sizeBytes: 100 },
      { name: 'begun.mp4', sizeBytes: 0 },
      { name: 'other.mp4', sizeBytes: 99 },
      { name: 'holiday.mp4', sizeBytes: 100 },
    ]);
    const names = Object.entries(state).map(([key, files]) => [key, files.map(({ name }: ManifestEntry) => name)]);
    expect(Object.fromEntries(names)).toEqual({
      whole: ['whole.mp4'],
      interrupted: ['begun.mp4'],
      missing: ['gone.mp4'],
      changed: ['other.mp4'],
    });
  });

  it('knows another original by its size or its time', () => {
    expect(isStale(entry('a'), { sizeBytes: 1000, modifiedMs: 5 })).toBe(false);
    expect(isStale(entry('a'), { sizeBytes: 1001, modifiedMs: 5 })).toBe(true);
    expect(isStale(entry('a'), { sizeBytes: 1000, modifiedMs: 6 })).toBe(true);
  });
});
