import { describe, expect, it } from 'vitest';
import { type NumberFieldEvent, startField, stepField, valueIn } from './number-field-state';

const spec = { minValue: 1, maxValue: 500, fractionDigits: 2 };
const afterEvents = (value: number | null, ...events: readonly NumberFieldEvent[]) =>
  events.reduce((state, event) => stepField(state, event, value, spec), startField(value, spec));
const typed = (text: string): NumberFieldEvent => ({ type: 'typed', text });

describe('stepField', () => {
  it('keeps what is typed as it is typed, and finds no fault before a pause', () => {
    const typing = afterEvents(25, { type: 'entered' }, typed('9,'));
    expect(typing).toMatchObject({ draft: '9,', note: null });
    expect(valueIn(typing, spec).value).toBe(9);
    expect(afterEvents(25, { type: 'entered' }, typed('-3'), { type: 'paused' }).note).toMatchObject({
      code: 'out-of-range',
    });
  });

  it('gives way to what is stored where it was refused, and goes on saying why', () => {
    expect(afterEvents(25, { type: 'entered' }, typed('1e3'), { type: 'left' })).toMatchObject({
      draft: '25',
      note: { code: 'not-a-number', typed: '1e3' },
    });
  });

  it('writes what it took in one form once it is left', () => {
    expect(afterEvents(25, { type: 'entered' }, typed('9,50'), { type: 'left' })).toMatchObject({
      draft: '9.5',
      note: null,
    });
    expect(afterEvents(25, { type: 'entered' }, typed(''), { type: 'left' }).draft).toBe('');
  });

  it('gives the value back that was there when it was entered, though others were stored since', () => {
    const entered = afterEvents(25, { type: 'entered' }, typed('12'));
    expect(stepField(entered, { type: 'given-back' }, 12, spec)).toMatchObject({ draft: '25', entered: 25 });
  });

  it('follows changes from elsewhere, and not its own coming back', () => {
    expect(afterEvents(25, { type: 'changed', value: 30 }).draft).toBe('30');
    expect(afterEvents(25, { type: 'entered' }, typed('9,'), { type: 'changed', value: 9 }).draft).toBe('9,');
    expect(afterEvents(25, { type: 'entered' }, typed('9'), { type: 'changed', value: 30 }).draft).toBe('30');
    expect(afterEvents(25, { type: 'entered' }, typed('-'), { type: 'changed', value: 30 }).draft).toBe('-');
  });
});
