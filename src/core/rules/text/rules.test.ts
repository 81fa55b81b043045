import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pointsFrom } from '../../../../tests/drivers/text-points';
import { measureWork } from '../../../../tests/drivers/work';
import { stored } from '../../base/exact';
import type { Marking } from '../marking';
import { textRulesReadiness } from './readiness';
import { markText, rulesFromKey, type TextRules } from './rules';
import { DOUBTS_NONE } from './doubts';
import { type Forgives, FORGIVES_ALL } from './words';

const FORGIVES_NONE: Forgives = {
  capitals: false,
  accents: false,
  spaces: false,
  quotes: false,
  punctuation: false,
  hyphens: false,
  spelling: false,
  slips: false,
  endings: 'none',
};

const share = (m: Marking): string => (m.state === 'marked' ? stored(m.share) : 'waits');

describe('a typed key', () => {
  const rules = rulesFromKey('Yaw drive');
  it.each([
    ['yaw drive', '1'],
    ['  YAW   DRIVE ', '1'],
    ['yaw\u00a0drive', '1'],
    ['yäw drive', '1'],
    ['yaw drives', 'waits'],
    ['pitch', 'waits'],
  ])('marks %j as %s', (answer, expected) => {
    expect(share(markText(rules, answer))).toBe(expected);
  });

  it('forgives nothing when told so', () => {
    const strict: TextRules = { ...rules, forgives: FORGIVES_NONE };
    expect(share(markText(strict, 'Yaw drive'))).toBe('1');
    for (const answer of ['yaw drive', 'Yaw  drive', 'Yáw drive'])
      expect(share(markText(strict, answer))).toBe('waits');
  });

  it('forgives exactly what is chosen', () => {
    const only = (name: keyof typeof FORGIVES_ALL): TextRules => ({
      ...rulesFromKey("L'Élan"),
      forgives: { ...FORGIVES_NONE, [name]: true },
    });
    expect(share(markText(only('capitals'), "l'élan"))).toBe('1');
    expect(share(markText(only('accents'), "L'Elan"))).toBe('1');
    expect(share(markText(only('quotes'), 'L’Élan'))).toBe('1');
    expect(share(markText(only('spaces'), " L'Élan "))).toBe('1');
    expect(share(markText(only('capitals'), "L'elan"))).toBe('waits');
  });
});

describe('keywords', () => {
  const groups = (need: 'any' | 'all' | number): TextRules => ({
    forgives: FORGIVES_ALL,
    rules: [pointsFrom([{ need, words: ['stop', 'isolate', 'lock', 'prove dead'], share: '1' }])],
    calls: [],
    doubts: DOUBTS_NONE,
    otherwise: 'zero',
    otherwiseFeedback: 'Look again.',
    lists: [],
  });
  it.each([
    ['any', 'I lock it.', '1'],
    ['any', 'I unlock it.', '0'],
    [2, 'Stop, then lock!', '1'],
    [2, 'stop stop stop', '0'],
    ['all', 'stop isolate lock and prove dead', '1'],
    ['all', 'stop isolate lock and prove it dead', '0'],
  ] as const)('%s of the group in %j gives %s', (need, answer, expected) => {
    expect(share(markText(groups(need), answer))).toBe(expected);
  });

  it('add up over groups, say what was found and what is missing', () => {
    const rules: TextRules = {
      ...groups('any'),
      rules: [
        pointsFrom([
          { need: 'any', words: ['vibration', 'shakes'], share: '1/2' },
          { need: 'any', words: ['once', 'each turn'], share: '1/2' },
        ]),
      ],
    };
    const marking = markText(rules, 'It Shakes a lot');
    expect(share(marking)).toBe('1/2');
    expect(marking.trace).toEqual([
      { code: 'rule', values: { number: 1 } },
      { code: 'point-missing', values: { point: 'once' } },
      { code: 'point-met', values: { point: 'vibration', share: '1/2' }, evidence: ['Shakes'] },
    ]);
    expect(share(markText(rules, 'shakes once'))).toBe('1');
    expect(markText(rules, 'nothing')).toMatchObject({ state: 'marked', feedback: 'Look again.' });
  });

  it('are found in other scripts and with markup as plain text', () => {
    const rules = (word: string): TextRules => ({
      ...groups('any'),
      rules: [pointsFrom([{ need: 'any', words: [word], share: '1' }])],
    });
    expect(share(markText(rules('ريح'), 'هذه ريح قوية'))).toBe('1');
    expect(share(markText(rules('<b>'), 'a <b> c'))).toBe('1');
  });
});

it('an answer beyond all measure waits instead of hanging', () => {
  expect(share(markText(rulesFromKey('a'), 'a '.repeat(5000)))).toBe('waits');
});

it('readiness names what is missing', () => {
  expect(textRulesReadiness(rulesFromKey('')).map((f) => f.code)).toEqual(['no-key-all-wait']);
  expect(textRulesReadiness({ ...rulesFromKey(''), otherwise: 'zero' }).map((f) => f.code)).toEqual(['no-key']);
  const few: TextRules = {
    ...rulesFromKey(''),
    rules: [pointsFrom([{ need: 3, words: ['a'], share: '1/2' }])],
  };
  expect(textRulesReadiness(few).map((f) => f.code)).toEqual(['keywords-too-few', 'points-do-not-add-up']);
});

describe('wordings, patterns and articles', () => {
  it('a key with semicolons is as many wordings', () => {
    const rules = rulesFromKey('gearbox; gear box ;  transmission;');
    expect(rules.rules[0]).toMatchObject({ when: 'exact', answers: ['gearbox', 'gear box', 'transmission'] });
    expect(share(markText(rules, 'transmission'))).toBe('1');
    expect(share(markText(rules, 'gearbox; gear box; transmission'))).toBe('waits');
  });

  it('a pattern matches where capitals are forgiven, and asks for them where they are not', () => {
    const rules = (capitals: boolean): TextRules => ({
      ...rulesFromKey(''),
      forgives: { ...FORGIVES_ALL, capitals },
      rules: [{ when: 'pattern', pattern: 'WT-0\\d{2}', share: '1', feedback: '' }],
    });
    for (const answer of ['WT-014', 'wt-014']) expect(share(markText(rules(true), answer))).toBe('1');
    expect(share(markText(rules(false), 'WT-014'))).toBe('1');
    expect(share(markText(rules(false), 'wt-014'))).toBe('waits');
  });

  it('an article before the keyed word says nothing, more than one word does', () => {
    const rules = rulesFromKey('gearbox');
    for (const answer of ['the gearbox', 'A gearbox', 'the gerabox', 'el gearbox'])
      expect(share(markText(rules, answer))).toBe('1');
    for (const answer of ['no gearbox', 'the big gearbox', 'the', 'the the gearbox'])
      expect(share(markText(rules, answer))).toBe('waits');
    expect(share(markText(rulesFromKey('the hub'), 'hub'))).toBe('1');
    expect(share(markText(rulesFromKey('A'), 'the'))).toBe('waits');
  });
});

describe('keywords in order and near each other', () => {
  const group = (words: string[], more: object): TextRules => ({
    ...rulesFromKey(''),
    doubts: DOUBTS_NONE,
    otherwise: 'zero',
    rules: [pointsFrom([{ need: words.length - 1 || 1, words, share: '1', ...more }])],
  });
  const earns = (rules: TextRules, text: string): boolean => {
    const marking = markText(rules, text);
    return marking.state === 'marked' && marking.share.equals(1);
  };

  it('say the same as trying every choice of places would', () => {
    const words = ['oil', 'fan', 'hub'];
    const made = fc.record({
      text: fc.array(fc.constantFrom('oil', 'fan', 'hub', 'x'), { maxLength: 9 }),
      ordered: fc.boolean(),
      within: fc.option(fc.integer({ min: 1, max: 5 }), { nil: undefined }),
    });
    fc.assert(
      fc.property(made, ({ text, ordered, within }) => {
        const rules = group(words, { ordered, ...(within === undefined ? {} : { within }) });
        // Two of three words, at every two places.
        const any = text.some((a, i) =>
          text.some((b, j) => {
            const [first, second] = [words.indexOf(a), words.indexOf(b)];
            if (i === j || first < 0 || second < 0 || first === second) return false;
            return (!ordered || (i < j && first < second)) && Math.abs(i - j) <= (within ?? Number.POSITIVE_INFINITY);
          }),
        );
        expect(earns(rules, text.join(' '))).toBe(any);
      }),
      { numRuns: 300, seed: 20261128 },
    );
  });

  it('of a long answer made of nothing else take one pass', () => {
    const words = ['oil', 'fan', 'hub', 'yaw', 'tip'];
    const text = [...words].reverse().join(' ').concat(' ').repeat(240);
    const work = measureWork();
    earns(group(words, { ordered: true, need: 'all' }), text.slice(0, 4800));
    earns(group(words, { ordered: true, within: 3, need: 'all' }), text.slice(0, 4800));
    earns(group(words, { within: 3, need: 'all' }), text.slice(0, 4800));
    expect(work()).toBeLessThan(1500);
  });
});
