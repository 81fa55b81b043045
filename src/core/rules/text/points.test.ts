import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../../tests/drivers/work';
import { exact, stored } from '../../base/exact';
import { DOUBTS_ALL, DOUBTS_NONE } from './doubts';
import { type Point, pointOf, type PointSet, pointsRule, setOf } from './points';
import { textRulesReadiness } from './readiness';
import { keywordsIn, markText, rulesFromKey, type TextRules, textRules } from './rules';
import { freshPointId, withPoint } from './scheme-edit';
import { textTryouts } from './tryouts';
import { wordingsFrom, wordingsText } from './wording-text';
import type { Wording } from './wordings';
import { FORGIVES_ALL } from './words';

function scheme(sets: PointSet[], more: Partial<TextRules> = {}, refuse: Wording[] = []): TextRules {
  return {
    ...rulesFromKey(''),
    forgives: { ...FORGIVES_ALL, endings: 'en' },
    doubts: { ...DOUBTS_NONE, negation: 'refused' },
    otherwise: 'zero',
    rules: [{ when: 'points', sets, refuse, feedback: '' }],
    ...more,
  };
}
const point = (id: string, accept: Wording[], more: Partial<Point> = {}, share = '1'): Point => ({
  ...pointOf(id, accept, share),
  ...more,
});
const one = (accept: Wording[], more: Partial<Point> = {}): TextRules => scheme([setOf([point('p1', accept, more)])]);
function share(rules: TextRules, text: string, asked = ''): string {
  const marking = markText(rules, text, asked);
  return marking.state === 'waits' ? (marking.trace.at(-1)?.code ?? '') : stored(marking.share);
}
const near = (where: 'sentence' | 'clause' | 'tied', ...parts: string[][]): Wording => ({ parts, where });

describe('a point', () => {
  it('is half met by what is half accepted, and lost by what it refuses', () => {
    const rules = one(['wakes of others'], { half: ['wake'], refuse: ['friction'] });
    expect(share(rules, 'the wakes of others')).toBe('1');
    expect(share(rules, 'a wake')).toBe('1/2');
    expect(share(rules, 'a wake and friction')).toBe('0');
    expect(share(rules, 'a wake, not friction')).toBe('1/2');
  });

  it('asks for words near each other, in a clause or a sentence', () => {
    const clause = one([near('clause', ['collision', 'crash'], ['fewer', 'less often'])]);
    expect(share(clause, 'There are fewer collisions.')).toBe('1');
    expect(share(clause, 'They crash less often')).toBe('1');
    expect(share(clause, 'The collisions are hard, but there are fewer birds')).toBe('0');
    const sentence = one([near('sentence', ['oil'], ['hot'])]);
    expect(share(sentence, 'The oil, after a while, gets hot.')).toBe('1');
    expect(share(sentence, 'There is oil. The hub is hot.')).toBe('0');
  });

  it('tells what is said of one thing from what is said of another', () => {
    const rules = scheme([
      setOf([
        point('a', [near('tied', ['stall'], ['drag'])], {}, '1/2'),
        point('b', [near('tied', ['feather'], ['lift'])], {}, '1/2'),
      ]),
    ]);
    expect(share(rules, 'Stall adds drag and feathering takes away lift.')).toBe('1');
    expect(share(rules, 'Stall takes away lift and feathering adds drag.')).toBe('0');
    expect(share(rules, 'A stall happens. It means drag. To feather means no torque, so the lift goes.')).toBe('1');
    expect(share(rules, 'Drag comes from stall, lift from feather')).toBe('1');
  });

  it('is said, denied, or either', () => {
    const energy = (polarity: Point['polarity']): TextRules => one(['energy'], { polarity });
    expect(share(energy('said'), 'It needs energy')).toBe('1');
    expect(share(energy('said'), 'It needs no energy')).toBe('0');
    expect(share(energy('denied'), 'It needs no energy')).toBe('1');
    expect(share(energy('denied'), 'It needs energy')).toBe('0');
    expect(share(energy('either'), 'Energy, or no energy')).toBe('1');
  });

  it('counts only with another one, however they are listed', () => {
    const points = [point('why', ['wake'], { onlyIf: 'what' }, '1/2'), point('what', ['slower wind'], {}, '1/2')];
    for (const list of [points, [...points].reverse()]) {
      expect(share(scheme([setOf(list)]), 'slower wind by the wake')).toBe('1');
      expect(share(scheme([setOf(list)]), 'the wake')).toBe('0');
    }
  });

  it('stands under its heading', () => {
    const rules = scheme([
      setOf([
        point('do', ['lock'], { under: ['before'] }, '1/2'),
        point('dont', ['climb'], { under: ['never', 'do not'] }, '1/2'),
      ]),
    ]);
    expect(share(rules, 'Before: lock and look around. Never: climb alone.')).toBe('1');
    expect(share(rules, 'Before: climb. Do not: lock.')).toBe('0');
    expect(share(rules, 'lock, climb')).toBe('0');
  });
});

describe('points together', () => {
  const three = (more: Partial<PointSet>): TextRules =>
    scheme([
      {
        ...setOf([
          point('a', ['rain', 'wet road'], {}, '1/2'),
          point('b', ['speed'], {}, '1/2'),
          point('c', ['load', 'weight'], {}, '1/4'),
        ]),
        ...more,
      },
    ]);
  it.each([
    [{}, 'rain', '1/2'],
    [{ least: 2 }, 'rain', '0'],
    [{ least: 2 }, 'rain and load', '3/4'],
    [{ least: 'all' as const }, 'rain and load', '0'],
    [{ least: 'all' as const }, 'rain, load, speed', '1'],
    [{ most: 2 }, 'load, rain and speed', '1'],
    [{ most: 2, which: 'first' as const }, 'load, rain and speed', '3/4'],
    [{ most: 2, wrong: ['fog'] }, 'rain and fog', '1/2'],
    [{ most: 2, wrong: ['fog'] }, 'rain, speed and fog', '1/2'],
    [{ most: 2, wrong: ['fog', 'sleep'] }, 'rain, fog and sleep', '0'],
    [{ most: 2, wrong: ['fog'] }, 'rain, speed but not fog', '1'],
  ])('%j: %j earns %s', (more, text, expected) => expect(share(three(more), text)).toBe(expected));

  it('can each need a place of their own', () => {
    const points = [point('a', ['wing'], {}, '1/2'), point('b', ['wing tip'], {}, '1/2')];
    const rules = scheme([{ ...setOf(points), apart: true }]);
    expect(share(rules, 'the wing tip')).toBe('1/2');
    expect(share(rules, 'the wing and the wing tip')).toBe('1');
  });

  it('earn at most a cap, and nothing beside what is refused for all', () => {
    const rules = scheme([setOf([point('a', ['oil'], {}, '1/2'), point('b', ['fan'], {}, '1/2')])], {}, ['magic']);
    expect(share({ ...rules, rules: rules.rules.map((rule) => ({ ...rule, most: '3/4' })) }, 'oil and fan')).toBe(
      '3/4',
    );
    expect(share(rules, 'oil, fan and magic')).toBe('0');
    expect(share(rules, 'oil and fan, no magic')).toBe('1');
  });
});

describe('word lists', () => {
  const lists = [
    { name: 'load cases', words: ['gust', 'emergency stop', '{grid}'] },
    { name: 'grid', words: ['grid loss', '{load cases}'] },
  ];
  it('are used by name, through one another, and end where they turn in a circle', () => {
    const rules = { ...one(['{load cases}']), lists };
    expect(share(rules, 'an emergency stop')).toBe('1');
    expect(share(rules, 'a grid loss')).toBe('1');
    expect(share(rules, 'sunshine')).toBe('0');
    expect(textRulesReadiness(rules).map(({ code }) => code)).toContain('list-circular');
    expect(textRulesReadiness(one(['{nobody}'])).map(({ code }) => code)).toContain('list-missing');
  });

  it('of 20,000 words are as quick as short ones', () => {
    const words = Array.from(
      { length: 20_000 },
      (_, i) => `w${i.toString(26).replace(/\d/g, (d) => 'abcdefghij'[Number(d)] ?? '')}x`,
    );
    const rules = { ...one(['{long}']), lists: [{ name: 'long', words }] };
    const work = measureWork();
    share(rules, words[19_999] ?? '');
    for (let i = 0; i < 100; i++) share(rules, `the ${words[i * 90]} stands beside ${words[i]}`);
    expect(work()).toBeLessThan(6000);
  });
});

describe('signs of doubt', () => {
  const doubted = (accept: Wording[], more: Partial<TextRules> = {}): TextRules => ({
    ...scheme([setOf([point('a', accept, {}, '1/2'), point('b', ['fewer collisions'], {}, '1/2')])]),
    doubts: DOUBTS_ALL,
    ...more,
  });
  it.each([
    // A stray hit does not silence it.
    ['The wing pushes molecules downwards because pressure underneath becomes larger', 'doubt-unread'],
    ['wing', '1/2'],
    ['The wing does it. The wing does not do it.', 'doubt-contradiction'],
    ['The wing, no wait, the tower', 'doubt-taken-back'],
    ['The wing or the tower', 'doubt-alternatives'],
    ['Das ist die Folge von dem wing und der Luft', 'doubt-language'],
    ['Il vento gira il rotore e questo muove il generatore che produce corrente elettrica', 'doubt-language'],
    ['fewer collision', '1/2'],
    ['never collisions', '0'],
    ['newer collisions', 'doubt-nearly'],
    ['less wing', 'doubt-negation'],
  ])('%j: %s', (text, expected) => expect(share(doubted(['wing']), text)).toBe(expected));

  it('a heap is one when a hit itself holds a small word, and when it is short', () => {
    expect(share(doubted(['rate of climb']), 'rate of climb thrust fewer collisions')).toBe('doubt-stuffing');
    expect(share(doubted(['wing']), 'wing lift fewer collisions')).toBe('doubt-stuffing');
    expect(share(doubted(['wing']), 'The wing makes fewer collisions')).toBe('1');
    expect(share(doubted(['wing']), 'wing -> fewer collisions')).toBe('1');
  });

  it('what is copied from the question earns nothing by itself', () => {
    const asked = 'Why is the wing of the old turbine so noisy?';
    expect(share(doubted(['wing']), 'the wing of the old turbine is noisy', asked)).toBe('0');
    expect(share(doubted(['wing']), 'because its wing is bent', asked)).toBe('1/2');
  });

  it('patterns call a person too', () => {
    expect(share(doubted(['wing'], { calls: [{ pattern: 'see (?:my )?photo' }] }), 'wing, see photo')).toBe(
      'word-calls',
    );
  });

  it('opposites of one’s own', () => {
    const rules = doubted(['luv'], { doubts: { ...DOUBTS_ALL, opposites: [['luv', 'lee']] } });
    expect(share(rules, 'in luv and in lee')).toBe('doubt-opposites');
  });
});

describe('points as they are typed', () => {
  it('read back as they were', () => {
    const typed = 'loss leader; oxygen / O2 + lungs / alveoli; {load cases}';
    const wordings = wordingsFrom(typed);
    expect(wordings[1]).toEqual({
      where: 'sentence',
      parts: [
        ['oxygen', 'O2'],
        ['lungs', 'alveoli'],
      ],
    });
    expect(wordingsText(wordings)).toBe(typed);
    expect(wordingsFrom('pattern: a;b+')).toEqual([{ pattern: 'a;b+' }]);
  });
  it('keep how near they have to stand while their words change', () => {
    const known: Wording[] = [{ parts: [['a'], ['b']], where: 'tied' }];
    expect(wordingsFrom('a / c + b', known)).toEqual([{ parts: [['a', 'c'], ['b']], where: 'tied' }]);
  });
  it('get names that none has, and share the marks', () => {
    const rule = pointsRule.parse({ when: 'points', sets: [{ points: [{ id: 'p2', share: '1', accept: ['x'] }] }] });
    expect(freshPointId(rule)).toBe('p3');
    expect(withPoint(rule, 0).sets[0]?.points.map(({ share: s }) => s)).toEqual(['1/2', '1/2']);
  });
  it('suggest answers worth trying, and the words that are looked for', () => {
    const rules = one(['three shakes', near('clause', ['a'], ['b'])]);
    expect(textTryouts(rules)).toContain('three shakes');
    expect(keywordsIn(rules, 'Three shakes of it')).toEqual(['Three shakes']);
  });
});

describe('readiness', () => {
  it.each([
    [one([]), ['no-key']],
    [{ ...one([]), otherwise: 'waits' }, ['no-key-all-wait']],
    [scheme([setOf([point('a', ['x'], {}, '1/2'), point('b', [], {}, '1/2')])]), ['point-empty']],
    [one(['wing'], { refuse: ['wing'] }), ['keyword-wanted-and-forbidden']],
    [one(['wing'], { onlyIf: 'gone' }), ['point-condition-missing']],
    [one(['wing'], { onlyIf: 'p1' }), ['point-condition-circular']],
    [one([near('tied', ['wing'])]), ['tied-to-nothing']],
    [one([{ pattern: '(' }]), ['pattern-broken']],
    [one(['風力']), ['written-without-blanks']],
    [scheme([{ ...setOf([point('a', ['x'])]), least: 3 }]), ['points-least']],
    [scheme([setOf([point('a', ['x']), point('a', ['y'])])]), ['point-twice', 'points-do-not-add-up']],
  ])('%#', (rules, codes) => expect(textRulesReadiness(rules as TextRules).map(({ code }) => code)).toEqual(codes));

  it('a scheme of 200 points is refused, not cut', () => {
    const points = Array.from({ length: 200 }, (_, i) => ({ id: `p${i}`, share: '1/200', accept: ['x'] }));
    expect(textRules.safeParse({ ...one(['x']), rules: [{ when: 'points', sets: [{ points }] }] }).success).toBe(false);
  });
});

describe('whatever the words', () => {
  const WORDS = ['oil', 'fan', 'hub', 'yaw', 'tip', 'not', 'and', 'but', 'or', ',', '.', 'the'];
  const word = fc.constantFrom(...WORDS.slice(0, 5));
  const phrase = fc.array(word, { minLength: 1, maxLength: 2 }).map((words) => words.join(' '));
  const joined = fc.record({
    parts: fc.array(fc.array(phrase, { minLength: 1, maxLength: 2 }), { minLength: 1, maxLength: 3 }),
    where: fc.constantFrom('answer' as const, 'sentence' as const, 'clause' as const),
  });
  const wording: fc.Arbitrary<Wording> = fc.oneof(phrase, joined);
  const accept = fc.array(wording, { minLength: 1, maxLength: 3 });
  const points = fc
    .array(fc.record({ accept, refuse: fc.array(phrase, { maxLength: 1 }) }), { minLength: 1, maxLength: 4 })
    .map((list) => list.map((made, i) => point(`p${i}`, made.accept, { refuse: made.refuse }, `1/${list.length}`)));
  const text = fc.array(fc.constantFrom(...WORDS), { maxLength: 14 }).map((words) => words.join(' '));
  const most = fc.option(fc.integer({ min: 1, max: 3 }));
  const mark = (rules: TextRules, answer: string) => {
    const marking = markText(rules, answer);
    return marking.state === 'waits' ? exact('-1') : marking.share;
  };

  it('another alternative never lowers a mark', () => {
    fc.assert(
      fc.property(points, wording, most, text, (list, more, cap, answer) => {
        const [first, ...rest] = list;
        if (!first) return;
        const sets = (all: Point[]): TextRules => scheme([{ ...setOf(all), most: cap }]);
        const richer = [{ ...first, accept: [...first.accept, more] }, ...rest];
        expect(mark(sets(richer), answer).compare(mark(sets(list), answer))).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 600, seed: 20261129 },
    );
  });

  it('the order of points says nothing', () => {
    fc.assert(
      fc.property(points, most, fc.boolean(), text, (list, cap, apart, answer) => {
        const sets = (all: Point[]): TextRules => scheme([{ ...setOf(all), most: cap, apart }]);
        expect(stored(mark(sets([...list].reverse()), answer))).toBe(stored(mark(sets(list), answer)));
      }),
      { numRuns: 600, seed: 20261129 },
    );
  });

  it('a refused or denied word never raises a mark', () => {
    fc.assert(
      fc.property(points, phrase, text, word, (list, refused, answer, denied) => {
        const [first, ...rest] = list;
        if (!first) return;
        const before = mark(scheme([setOf(list)]), answer);
        const stricter = [{ ...first, refuse: [...first.refuse, refused] }, ...rest];
        expect(mark(scheme([setOf(stricter)]), answer).compare(before)).toBeLessThanOrEqual(0);
        const plain = list.map((one_) => ({ ...one_, refuse: [] }));
        const longer = `${answer} . not ${denied}`;
        expect(mark(scheme([setOf(plain)]), longer).compare(mark(scheme([setOf(plain)]), answer))).toBeLessThanOrEqual(
          0,
        );
      }),
      { numRuns: 600, seed: 20261129 },
    );
  });

  it('hostile answers and hostile schemes are bounded in steps', () => {
    const many = Array.from({ length: 60 }, (_, i) =>
      point(
        `p${i}`,
        [{ parts: Array.from({ length: 40 }, () => ['oil', 'oil oil', 'fan oil']), where: 'answer', ordered: true }],
        {},
        '1/60',
      ),
    );
    const rules = { ...scheme([setOf(many)]), doubts: DOUBTS_ALL };
    const work = measureWork();
    for (const odd of [
      'oil '.repeat(1240),
      'oil fan '.repeat(600),
      'not '.repeat(1200),
      'or '.repeat(1600),
      '😀'.repeat(2000),
      'ا'.repeat(4000),
      'a'.repeat(5000),
      'x',
    ])
      markText(rules, odd);
    expect(work()).toBeLessThan(8000);
    expect(markText(rules, 'x'.repeat(1_000_000)).state).toBe('waits');
  });
});
