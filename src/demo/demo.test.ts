import { expect, it } from 'vitest';
import { ONE } from '@/core/base/exact';
import type { PaperQuestion } from '@/core/exams/paper';
import { firstPrinciples } from './questions/first-principles';
import { WT201 } from './people';
import { makeAnswers } from './students';
import { choose, type DemoQuestion } from './write';

it('where the right option stands in the author’s order tells nothing either', () => {
  const places = [0, 0, 0, 0];
  for (let i = 0; i < 200; i++) {
    const { slot } = choose(`right ${i}`, ['one', 'two', 'three']);
    const at = (slot.setup as { options: { key: boolean }[] }).options.findIndex(({ key }) => key);
    places[at] = (places[at] ?? 0) + 1;
  }
  for (const times of places) expect(times).toBeGreaterThan(25);
});

it('every load has the same students: what they answer does not follow from ids, but from the question', () => {
  const asked = (source: DemoQuestion, id: string): PaperQuestion => ({
    id,
    source: id,
    number: '1',
    question: source.body,
    bonus: false,
    dropped: false,
    everyone: false,
    marks: ONE,
    counts: ONE,
    worth: new Map(),
    seed: id.length,
    belowZero: false,
  });
  const answersTo = (source: DemoQuestion, id: string) =>
    WT201.map(({ userName }) =>
      makeAnswers(userName, asked(source, id), source, 'Onshore').map(({ slot, value }) => ({ slot, value })),
    );
  /** For each student, who of those before gave the same answer first. */
  const alike = firstPrinciples.map((source) => {
    const given = answersTo(source, 'of the first load');
    expect(answersTo(source, 'of the second')).toEqual(given);
    const words = given.map((answers) => JSON.stringify(answers));
    return words.map((one) => words.indexOf(one)).join(' ');
  });
  expect(new Set(alike).size).toBe(alike.length);
});
