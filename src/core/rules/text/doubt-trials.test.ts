import { expect, it } from 'vitest';
import { type DoubtName, handedBy } from './doubt-trials';
import { pointOf, setOf } from './points';
import { rulesFromKey, type TextRules } from './rules';
import { FORGIVES_ALL } from './words';

const rules: TextRules = {
  ...rulesFromKey(''),
  forgives: { ...FORGIVES_ALL, endings: 'en' },
  rules: [
    {
      when: 'points',
      sets: [setOf([pointOf('a', ['brake'], '1/2'), pointOf('b', ['wind drops'], '1/2')])],
      refuse: [],
      feedback: '',
    },
  ],
  calls: ['photo'],
};
const TRIALS: Record<DoubtName, string> = {
  negation: 'not the brake',
  unread: 'the brake presses discs together, friction converts kinetic motion',
  contradiction: 'the brake, sorry, the pitch',
  alternatives: 'the brake or the pitch',
  stuffing: 'brake torque wind drops',
  language: 'Das ist die brake und der Wind',
  order: 'nothing asks for an order here',
  nearly: 'the mind drops',
};

it('each sign of doubt is counted alone, for the answers that it would hand over and no other sign', () => {
  for (const [name, text] of Object.entries(TRIALS) as [DoubtName, string][])
    expect(handedBy(rules, name, [text, 'the brake']), name).toBe(name === 'order' ? 0 : 1);
});

it('what waits anyway, by a word that calls a person, is not counted', () => {
  expect(handedBy(rules, 'negation', ['not the brake, see my photo'])).toBe(0);
});
