import { describe, expect, it } from 'vitest';
import { demoCardAt } from '../../../tests/stand-ins/demo-cards';
import { listQualities } from './list-qualities';

const card = demoCardAt(0);
const labelsOf = (qualities: string, set = 1) =>
  listQualities({ ...card, editorProfile: { ...card.editorProfile, qualities } }, set).map(({ label }) => label);

describe('listQualities', () => {
  it('offers what most editors have until a person says what theirs has', () => {
    expect(labelsOf('')).toEqual(['Full', '1/2', '1/4', '1/8']);
  });

  it('calls them what the editor calls them, the best first', () => {
    expect(labelsOf('Sharp, Middling = 1/3, 1/16')).toEqual(['Sharp', 'Middling', '1/16']);
    expect(listQualities(card, 1).map(({ value }) => Number(value))).toEqual([1, 0.5, 0.25, 0.125]);
  });

  it('keeps the one that is set, though the editor is not said to have it', () => {
    expect(labelsOf('Full, 1/3', 0.5)).toEqual(['Full', '1/2', '1/3']);
  });
});
