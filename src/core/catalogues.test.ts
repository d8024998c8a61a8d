import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { questionTexts } from '@/messages/questions';
import { questionCatalogue } from './belief';
import { causeIds } from './causes';
import { fixIds } from './fixes';
import { measureRig, practiceChanges, practiceFaults } from './simulate';
import { answerAbout, createCase } from './simulate/cases';

const root = new URL('../', import.meta.url);
const listFiles = (folder: string): readonly string[] =>
  readdirSync(new URL(folder, root), { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? listFiles(`${folder}${entry.name}/`) : [`${folder}${entry.name}`],
  );

/** Places that are the catalogues themselves, or the simulator's own. */
const catalogues = /core\/(causes|fixes|simulate)\/|\.test\.tsx?$/;

describe('the catalogues', () => {
  it('are the only code that tests a cause’s or a fix’s id', () => {
    const ids = [...causeIds, ...fixIds];
    const offenders = ['core/', 'features/', 'messages/', 'workers/', 'adapters/']
      .flatMap(listFiles)
      .filter((path) => /\.tsx?$/.test(path) && !catalogues.test(path))
      .flatMap((path) => {
        const text = readFileSync(new URL(path, root), 'utf8');
        return ids
          .filter((id) => new RegExp(`(===|!==|case) '${id}'`).test(text) || new RegExp(`'${id}' (===|!==)`).test(text))
          .map((id) => `${path}: ${id}`);
      });
    expect(offenders).toEqual([]);
  });

  it('and the simulator know the same causes and fixes by the same names', () => {
    expect([...practiceFaults.map(({ id }) => id)].sort()).toEqual([...causeIds].sort());
    expect(Object.keys(practiceChanges).sort()).toEqual([...fixIds].sort());
  });

  it('put only questions that a person can answer, with words for each answer', () => {
    const { person, rig, seed } = createCase(3);
    const outcome = measureRig(rig, seed);
    for (const { id, answers } of questionCatalogue) {
      expect(answers).toContain(answerAbout(person, id, rig, outcome));
      for (const answer of answers) expect(questionTexts[id].answers[answer], id).toBeDefined();
    }
  });
});
