import { describe, expect, it } from 'vitest';
import { pointOf, setOf } from './points';
import { rulesFromKey, type TextRules } from './rules';
import { giveToPoint, namedPoints, piecesOf, unreadPhrases } from './unread';
import { FORGIVES_ALL } from './words';

const rules: TextRules = {
  ...rulesFromKey(''),
  forgives: { ...FORGIVES_ALL, endings: 'en' },
  rules: [
    { when: 'exact', answers: ['x'], share: '1', feedback: '' },
    {
      when: 'points',
      sets: [setOf([pointOf('a', ['wake'], '1/2'), pointOf('b', ['slower wind'], '1/2')])],
      refuse: [],
      feedback: '',
    },
  ],
};
const answer = (text: string, more: object = {}) => ({ text, count: 1, full: false, given: 0, refused: 0, ...more });

describe('what no rule has read', () => {
  it('is told from the rest, small words going with what they stand beside', () => {
    const pieces = piecesOf(rules, 'It stands in the wake of others');
    expect(pieces.map(({ text }) => text).join('')).toBe('It stands in the wake of others');
    expect(pieces.filter(({ read }) => !read).map(({ text }) => text)).toEqual(['stands ', 'others']);
  });

  it('is counted over a class, words of one stem as one, with the points that are missing', () => {
    const found = unreadPhrases(rules, [
      answer('The mast shades it, in the wake', { count: 3, given: 2 }),
      answer('A mast shaded it', { refused: 1 }),
      answer('slower wind in the wake of a mast shade', { full: true }),
    ]);
    expect(found[0]).toEqual({
      phrase: 'mast shades',
      answers: 4,
      given: 2,
      refused: 1,
      missing: [
        { point: { id: '1:b', label: 'slower wind' }, answers: 4 },
        { point: { id: '1:a', label: 'wake' }, answers: 1 },
      ],
    });
    expect(found).toHaveLength(1);
  });

  it('leaves out what the question asks with', () => {
    expect(
      unreadPhrases(rules, [answer('the turbine mast')], 'Why does the turbine stop?').map((one) => one.phrase),
    ).toEqual(['mast']);
  });

  it('is given to one point and no other', () => {
    expect(namedPoints(rules).map(({ id }) => id)).toEqual(['1:a', '1:b']);
    const given = giveToPoint(rules, '1:a', 'shade');
    expect(unreadPhrases(given, [answer('the shade')])).toEqual([]);
    expect(giveToPoint(rules, '1:nobody', 'shade')).toEqual(rules);
    expect(giveToPoint(given, '1:a', 'shade')).toEqual(given);
  });
});
