import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { choice, type ChoiceSheet } from '../kinds/choice/choice';
import { authoredResponse, type OwnNames, ownResponses, ownSheet } from './own-names';
import { emptyQuestion, type QuestionBody } from './question';

const namesOf =
  (n: number): OwnNames =>
  (slot, part) =>
    createHash('sha256').update(`${n} ${slot} ${part}`).digest('hex').slice(0, 12);

const question = (shuffle: boolean): QuestionBody => ({
  ...emptyQuestion,
  content: { type: 'doc', content: [{ type: 'blockSlot', attrs: { id: 's' } }] },
  slots: {
    s: {
      kind: 'choice',
      marks: '1',
      setup: {
        ...choice.fresh(),
        shuffle,
        options: ['right', 'one', 'two', 'three'].map((text, i) => ({
          id: 'abcd'[i] ?? '',
          text,
          key: i === 0,
          feedback: '',
        })),
      },
    },
  },
});
const optionsOf = (n: number, shuffle = true): ChoiceSheet['options'] =>
  (ownSheet(question(shuffle), namesOf(n)).slots.s?.sheet as ChoiceSheet).options;

describe('the sheet of one attempt', () => {
  it('has the key on every place about as often', () => {
    const places = [0, 0, 0, 0];
    for (let n = 0; n < 800; n++) places[optionsOf(n).findIndex(({ text }) => text === 'right')]! += 1;
    // 200 each, and four standard deviations of that (12.2) to either side.
    for (const times of places) expect(Math.abs(times - 200)).toBeLessThan(50);
  });

  it('keeps the author’s order where that is wanted', () => {
    for (let n = 0; n < 20; n++)
      expect(optionsOf(n, false).map(({ text }) => text)).toEqual(['right', 'one', 'two', 'three']);
  });

  it('takes an answer in its own names, and no name of another sheet for one of its own', () => {
    const chosen = optionsOf(1).filter(({ text }) => text === 'two');
    const response = { version: 1, chosen: chosen.map(({ id }) => id) };
    expect(authoredResponse(question(true), 's', response, namesOf(1))).toEqual({ response: { chosen: ['c'] } });
    expect(authoredResponse(question(true), 's', response, namesOf(2))).toBeNull();
    // Nor the author's: it would be told which option that is.
    expect(authoredResponse(question(true), 's', { version: 1, chosen: ['c'] }, namesOf(1))).toBeNull();
    expect(authoredResponse(question(true), 'constructor', response, namesOf(1))).toBeNull();
    expect(authoredResponse(question(true), 's', { nonsense: true }, namesOf(1))).toBeNull();
    expect(ownResponses(question(true), { s: { version: 1, chosen: ['c'] } }, namesOf(1))).toEqual({
      s: { chosen: [chosen[0]?.id] },
    });
  });
});
