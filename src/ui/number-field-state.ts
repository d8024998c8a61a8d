import { type NumberNote, type NumberSpec, type ReadNumber, readNumber, writeNumber } from './read-number';

/** A number field from the moment it is entered: what stands in it, and what was there before. */
export interface NumberFieldState {
  readonly draft: string;
  /** The value when the field was entered: Escape gives it back. */
  readonly entered: number | null;
  readonly isFocused: boolean;
  /** What is said below it. */
  readonly note: NumberNote | null;
}

export type NumberFieldEvent =
  | { readonly type: 'entered' }
  | { readonly type: 'typed'; readonly text: string }
  /** A pause in typing: what is wrong with it may be said. */
  | { readonly type: 'paused' }
  | { readonly type: 'left' }
  | { readonly type: 'given-back' }
  /** The value changed elsewhere, or what was typed has come back. */
  | { readonly type: 'changed'; readonly value: number | null };

export const startField = (value: number | null, spec: NumberSpec): NumberFieldState => ({
  draft: writeNumber(value, spec.fractionDigits),
  entered: value,
  isFocused: false,
  note: null,
});

/** What stands in a field, as a value. */
export const valueIn = (state: NumberFieldState, spec: NumberSpec): ReadNumber => readNumber(state.draft, spec);

/** The next state of a number field; `value` is what is stored. */
export function stepField(
  state: NumberFieldState,
  event: NumberFieldEvent,
  value: number | null,
  spec: NumberSpec,
): NumberFieldState {
  const stored = writeNumber(value, spec.fractionDigits);
  switch (event.type) {
    case 'entered':
      return { ...state, entered: value, isFocused: true };
    case 'typed':
      // What is still being typed is not found fault with; what was said of the text before it goes.
      return { ...state, draft: event.text, note: null };
    case 'paused':
      return { ...state, note: readNumber(state.draft, spec).note };
    case 'left': {
      const read = readNumber(state.draft, spec);
      // What was refused gives way to what is stored, and the line below says so.
      const givesWay = read.kind === 'refused' || (read.kind === 'empty' && spec.canBeEmpty === false);
      const draft = givesWay ? stored : writeNumber(read.value, spec.fractionDigits);
      return { ...state, draft, isFocused: false, note: read.note };
    }
    case 'given-back':
      return { ...state, draft: writeNumber(state.entered, spec.fractionDigits), note: null };
    case 'changed': {
      const written = writeNumber(event.value, spec.fractionDigits);
      if (!state.isFocused) return state.draft === written ? state : { ...state, draft: written };
      const read = readNumber(state.draft, spec);
      const isOwn = read.kind !== 'refused' && writeNumber(read.value, spec.fractionDigits) === written;
      // While it is written in, only another's change is let in; one's own text keeps its form.
      return isOwn || read.kind === 'refused' ? state : { ...state, draft: written };
    }
    default:
      return event satisfies never;
  }
}
