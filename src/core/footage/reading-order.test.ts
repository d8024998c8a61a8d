import { describe, expect, it } from 'vitest';
import { isMediaName, orderForReading } from './reading-order';

describe('orderForReading', () => {
  it('takes the largest of each folder and ending first, then the rest by size, and loses none', () => {
    const file = (name: string, sizeBytes: number, folder = '') => ({ name, sizeBytes, folder });
    const files = [
      file('a.mp4', 1),
      file('b.mp4', 9),
      file('c.mov', 2),
      file('d.MP4', 5, 'day 2'),
      file('e.mp4', 7),
      file('f.mp4', 3, 'day 2'),
    ];
    expect(orderForReading(files).map(({ name }) => name)).toEqual([
      'b.mp4',
      'd.MP4',
      'c.mov',
      'e.mp4',
      'f.mp4',
      'a.mp4',
    ]);
    expect(orderForReading([])).toEqual([]);
  });
});

describe('isMediaName', () => {
  it('knows films, sounds and stills by their ending, and leaves hidden and other files aside', () => {
    expect(['A001.MP4', 'x.mts', 'b.HEIC', 'c.wav', 'd.avi'].every(isMediaName)).toBe(true);
    expect(['notes.txt', 'A001.XML', '.hidden.mp4', 'mp4', 'x.'].some(isMediaName)).toBe(false);
  });
});
