import { describe, expect, it } from 'vitest';
import { createReading, type Reading } from '@/core/card';
import { serializeReadings } from '@/core/readings';
import { readReadings, toReadingsCsv } from './readings-export';

const reading = (id: string, change: Partial<Reading> = {}): Reading => ({
  ...createReading({ id, takenAtMs: 1_700_000_000_000, shownFps: 12.5, note: 'clay, "glaze"\nand slip' }),
  fixes: [{ id: 'lower-preview-quality', level: '1/2' }],
  ...change,
});
const readings = [
  reading('a'),
  reading('b', {
    shownFps: null,
    how: 'tapped',
    tapped: { lengthMs: 20_000, stutterCount: 7, freezesMs: [640], isTyped: false },
  }),
];

describe('readings as files', () => {
  it('come back the same from CSV, whatever stands in the texts', () => {
    expect(readReadings(toReadingsCsv(readings))).toEqual({ ok: true, value: readings });
    expect(readReadings(`\uFEFF${toReadingsCsv(readings)}`)).toEqual({ ok: true, value: readings });
  });

  it('are told apart from JSON by how they begin', () => {
    expect(readReadings(serializeReadings(readings))).toEqual({ ok: true, value: readings });
    expect(readReadings('{"format":"something-else"}')).toEqual({ ok: false, failure: { code: 'readings-not-read' } });
    expect(readReadings('a,b\n1,2')).toEqual({ ok: false, failure: { code: 'readings-not-read' } });
    expect(readReadings('')).toEqual({ ok: false, failure: { code: 'readings-not-read' } });
  });

  it('are read from files that were written before recorders were seen', () => {
    const older = (text: string) => text.replaceAll(/^ *"recorderName": "",\n/gm, '');
    expect(readReadings(older(serializeReadings(readings)))).toEqual({ ok: true, value: readings });
    const [head = '', ...lines] = toReadingsCsv(readings).split('\r\n');
    const at = head.split(',').indexOf('recorderName');
    expect(at).toBeGreaterThan(0);
    const without = readReadings([head.replace('recorderName,', 'unheard,'), ...lines].join('\r\n'));
    expect(without).toEqual({ ok: true, value: readings });
  });

  it('say which reading has a value that cannot be', () => {
    const broken = toReadingsCsv(readings).replace('12.5', '-1');
    expect(readReadings(broken)).toEqual({
      ok: false,
      failure: { code: 'readings-field-invalid', index: 0, path: 'shownFps' },
    });
  });
});
