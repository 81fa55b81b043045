import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../../tests/drivers/work';
import { pointsFrom, type WordGroup } from '../../../../tests/drivers/text-points';
import { stored } from '../../base/exact';
import type { Marking } from '../marking';
import { type Doubts, DOUBTS_ALL, DOUBTS_NONE } from './doubts';
import { textRulesReadiness } from './readiness';
import { markText, rulesFromKey, type TextRule, type TextRules } from './rules';
import { FORGIVES_ALL } from './words';

const share = (m: Marking): string => (m.state === 'marked' ? stored(m.share) : (m.trace.at(-1)?.code ?? 'waits'));

function keywords(groups: WordGroup[], more: Partial<TextRules> = {}): TextRules {
  return {
    ...rulesFromKey(''),
    rules: [pointsFrom(groups)],
    otherwise: 'zero',
    ...more,
  };
}
const any = (...words: string[]): WordGroup => ({ need: 'any', words, share: '1' });
const brake = keywords([any('brake', 'pitch')]);

describe('signs of doubt', () => {
  it.each([
    ['The brake stops it.', '1'],
    ['It is not the brake.', 'doubt-negation'],
    ['It stops without a brake', 'doubt-negation'],
    ["The brake doesn't stop it", 'doubt-negation'],
    ['The brake or the wind', 'doubt-alternatives'],
    ['The brake or the pitch', '1'],
    ['The pitch increases the force and decreases it, so pitch', '1'],
    ['The blade goes round and round in the wind and nobody knows what makes it go', 'doubt-negation'],
  ] as const)('%j: %s', (answer, expected) => {
    const marking = markText(brake, answer);
    if (answer.includes('nobody'))
      expect(marking).toMatchObject({ state: 'waits', trace: [{ code: 'no-rule-matched' }, { code: 'doubt-unread' }] });
    else expect(share(marking)).toBe(expected);
  });

  it('see both of two opposite words when one of them is a hit', () => {
    const rules = keywords([any('increases', 'rises')]);
    expect(share(markText(rules, 'The lift increases'))).toBe('1');
    expect(share(markText(rules, 'It increases and then it decreases'))).toBe('doubt-opposites');
  });

  it('see a heap of keywords, but not a sentence with all of them', () => {
    const rules = keywords([{ need: 'all', words: ['lift', 'drag', 'torque', 'speed'], share: '1' }]);
    expect(share(markText(rules, 'lift drag torque speed'))).toBe('doubt-stuffing');
    expect(share(markText(rules, 'The lift and the drag make the torque of the speed'))).toBe('1');
  });

  it.each<[keyof Doubts, string, TextRules]>([
    ['negation', 'not the brake', brake],
    ['alternatives', 'the brake or the gearbox', brake],
    ['contradiction', 'it increases and decreases', keywords([any('increases')])],
    [
      'stuffing',
      'lift drag torque speed',
      keywords([{ need: 'all', words: ['lift', 'drag', 'torque', 'speed'], share: '1' }]),
    ],
  ])('%s is switched by itself', (name, answer, rules) => {
    const off = { ...DOUBTS_ALL, [name]: name === 'negation' ? 'ignored' : false };
    expect(markText({ ...rules, doubts: DOUBTS_ALL }, answer).state).toBe('waits');
    expect(share(markText({ ...rules, doubts: off }, answer))).toBe('1');
  });

  it('a denied hit can be refused instead', () => {
    const rules = { ...brake, doubts: { ...DOUBTS_NONE, negation: 'refused' as const } };
    expect(share(markText(rules, 'It is not the brake but the pitch'))).toBe('1');
    expect(share(markText(rules, 'It is not the brake'))).toBe('0');
  });

  it('words that call a person do so wherever they stand', () => {
    expect(markText({ ...brake, calls: ['photo'] }, 'the brake, see my photo')).toMatchObject({
      state: 'waits',
      trace: [{ code: 'word-calls', evidence: ['photo'] }],
    });
  });
});

describe('order, nearness, and what must not occur', () => {
  const steps = (more: Partial<WordGroup>): TextRules =>
    keywords([{ need: 'all', words: ['stop', 'isolate', 'lock'], share: '1', ...more }], { doubts: DOUBTS_NONE });
  it.each([
    [{ ordered: true }, 'first stop, then isolate, then lock', '1'],
    [{ ordered: true }, 'first isolate, then stop, then lock', '0'],
    [{ ordered: true }, 'lock stop isolate and lock', '1'],
    [{ within: 4 }, 'stop isolate lock', '1'],
    [{ within: 4 }, 'stop and wait for some time, isolate, have a look around, lock', '0'],
  ])('%j in %j: %s', (more, answer, expected) => expect(share(markText(steps(more), answer))).toBe(expected));

  it('another order than asked for calls a person, when that is switched on', () => {
    const doubted = (more: Partial<WordGroup>): TextRules => ({
      ...steps(more),
      doubts: { ...DOUBTS_NONE, order: true },
    });
    expect(share(markText(doubted({ ordered: true }), 'first isolate, then stop, then lock'))).toBe('doubt-order');
    expect(share(markText(doubted({ within: 2 }), 'stop it all, isolate it all, lock'))).toBe('doubt-order');
    expect(share(markText(doubted({ ordered: true }), 'stop, isolate, lock'))).toBe('1');
    expect(share(markText(doubted({ ordered: true }), 'stop and lock'))).toBe('0');
  });

  it('a rule with a forbidden word does not hold where the word stands', () => {
    const rules = keywords([any('rotor'), { need: 'none', words: ['gearbox'], share: '0' }], { doubts: DOUBTS_NONE });
    expect(share(markText(rules, 'the rotor'))).toBe('1');
    expect(share(markText(rules, 'the rotor and the gearbox'))).toBe('0');
    expect(
      textRulesReadiness(keywords([any('rotor'), { need: 'none', words: ['rotor'], share: '0' }])).map((f) => f.code),
    ).toContain('keyword-wanted-and-forbidden');
  });
});

describe('what is forgiven', () => {
  const exactly = (key: string, forgives = {}): TextRules => {
    const rules = rulesFromKey(key);
    return { ...rules, forgives: { ...FORGIVES_ALL, ...forgives } };
  };
  it.each([
    ['anemometer', 'anemomter', 'forgiven-slip'],
    ['anemometer', 'anenometer', 'forgiven-slip'],
    ['nacelle', 'nacele', 'forgiven-slip'],
    ['yaw drive', 'yaw drvie', 'forgiven-slip'],
    ['grid-connection', 'grid connection', 'text-equal'],
    ['coordinate', 'co-ordinate', 'forgiven-spelling'],
    ['centre of mass', 'center of mass', 'forgiven-spelling'],
    ['colour', 'color', 'forgiven-spelling'],
    ['the brake, then the lock', 'the brake then the lock.', 'text-equal'],
  ])('%s: %s by %s', (key, answer, code) => {
    const marking = markText(exactly(key), answer);
    expect([marking.state, marking.trace.at(-1)?.code]).toEqual(['marked', code]);
  });

  it.each([
    ['stator', 'rotor'],
    ['stator', 'stater'],
    ['blade', 'glade'],
    ['form', 'from'],
    ['inductance', 'conductance'],
    ['12.5 kW', '12.6 kW'],
    ['hub', 'hob'],
  ])('%s is never %s', (key, answer) => expect(markText(exactly(key), answer).state).toBe('waits'));

  it('endings only where they are switched on, in the language that is chosen', () => {
    expect(markText(exactly('rotating blades', { slips: false }), 'rotate blade').state).toBe('waits');
    expect(share(markText(exactly('rotating blades', { endings: 'en' }), 'rotated blade'))).toBe('1');
    expect(share(markText(exactly('Windkraftanlagen', { endings: 'de' }), 'windkraftanlage'))).toBe('1');
  });

  it('another word of the rules is no slip, however near it is', () => {
    const rules: TextRule[] = [
      { when: 'exact', answers: ['slewring'], share: '1', feedback: '' },
      { when: 'exact', answers: ['slawring'], share: '0', feedback: 'That is the other one.' },
    ];
    expect(share(markText({ ...rulesFromKey(''), rules }, 'slawring'))).toBe('0');
  });
});

describe('patterns', () => {
  const pattern = (text: string): TextRules => ({
    ...rulesFromKey(''),
    rules: [{ when: 'pattern', pattern: text, share: '1', feedback: '' }],
    otherwise: 'zero',
  });
  it('match the whole answer', () => {
    expect(share(markText(pattern('e-?\\d{3}'), 'E-123'))).toBe('1');
    expect(share(markText(pattern('e-?\\d{3}'), 'see E-123'))).toBe('0');
  });
  it('cannot hang, and a broken one says so', () => {
    const work = measureWork();
    expect(share(markText(pattern('(a+)+b'), `${'a'.repeat(4000)}c`))).toBe('0');
    expect(work()).toBeLessThan(1000);
    expect(textRulesReadiness(pattern('(a')).map((f) => f.code)).toContain('pattern-broken');
  });
});

describe('contradictions', () => {
  it('a rule whose answer an earlier one accepts is never reached', () => {
    const rules: TextRule[] = [
      { when: 'exact', answers: ['the rotor'], share: '1', feedback: '' },
      { when: 'exact', answers: ['The Rotor.'], share: '0', feedback: '' },
    ];
    expect(textRulesReadiness({ ...rulesFromKey(''), rules }).map((f) => f.code)).toContain('rule-never-reached');
  });
});
