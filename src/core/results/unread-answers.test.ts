import { expect, it } from 'vitest';
import type { Slot } from '../bank/question';
import { shortText } from '../kinds/short-text/short-text';
import { pointOf, setOf } from '../rules/text/points';
import { rulesFromKey } from '../rules/text/rules';
import type { AnswerGroup } from './answer-groups';
import { unreadIn } from './unread-answers';

const points = setOf([pointOf('a', ['wake'], '1/2'), pointOf('b', ['slower wind'], '1/2')]);
const slot: Slot = {
  kind: 'shortText',
  marks: '2',
  setup: {
    ...shortText.fresh(),
    rules: { ...rulesFromKey(''), rules: [{ when: 'points', sets: [points], refuse: [], feedback: '' }] },
  },
};
const group = (answer: string, marks: (string | null)[], more: Partial<AnswerGroup> = {}): AnswerGroup => ({
  answer,
  response: { text: answer },
  count: 3,
  writings: [],
  marks,
  byPerson: 0,
  trace: [],
  ...more,
});
const phrases = (groups: AnswerGroup[]): unknown[] =>
  unreadIn(slot, groups, '2', '').map(({ phrase, answers, given, refused }) => [phrase, answers, given, refused]);

it('what the rules gave everything is not looked at, what a person gave is learnt from', () => {
  expect(phrases([group('the wake, the lee', ['2'])])).toEqual([]);
  expect(phrases([group('the lee', ['2'], { byPerson: 3 })])).toEqual([['lee', 3, 3, 0]]);
  expect(phrases([group('the lee', ['0'], { byPerson: 2 })])).toEqual([['lee', 3, 0, 2]]);
  expect(phrases([group('the lee', ['0', null])])).toEqual([['lee', 3, 0, 0]]);
  expect(phrases([group('', [null])])).toEqual([]);
});

it('a kind without points in words has none', () => {
  const number: Slot = { ...slot, kind: 'number' };
  expect(unreadIn(number, [group('the lee', ['0'])], '2', '')).toEqual([]);
});
