import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../../tests/drivers/work';
import { stored } from '../../base/exact';
import { wordsOfLanguage } from '../../text/languages';
import { DOUBTS_NONE } from './doubts';
import { pointOf, setOf } from './points';
import { readText } from './reading';
import { markText, rulesFromKey, type TextRules } from './rules';
import type { Wording } from './wordings';
import { type Forgives, FORGIVES_ALL } from './words';

const tokens = (text: string): string[] =>
  readText(text, FORGIVES_ALL, wordsOfLanguage('en')).tokens.map(({ shown }) => shown);

/** Rules of one point, without a sign of doubt. */
function wants(accept: Wording[], refuse: Wording[] = [], past: Partial<Forgives> = {}): TextRules {
  return {
    ...rulesFromKey(''),
    forgives: { ...FORGIVES_ALL, ...past },
    doubts: { ...DOUBTS_NONE, negation: 'refused' },
    otherwise: 'zero',
    rules: [{ when: 'points', sets: [setOf([{ ...pointOf('p1', accept), refuse }])], refuse: [], feedback: '' }],
  };
}
function share(rules: TextRules, text: string): string {
  const marking = markText(rules, text);
  return marking.state === 'waits' ? 'waits' : stored(marking.share);
}

describe('an answer is taken apart', () => {
  it.each([
    ['wide/thin', ['wide', 'thin']],
    ['stop,isolate,lock', ['stop', 'isolate', 'lock']],
    ['P=7500W', ['P', '7500', 'W']],
    ['fan(big)', ['fan', 'big']],
    ['low–high', ['low', 'high']],
    ['anti-clockwise, self-locking', ['anticlockwise', 'self', 'locking']],
    ["isn't l'eau", ["isn't", 'l', 'eau']],
    ['C++ and C#', ['C++', 'and', 'C#']],
    ['CO2 at −5.5 °C, 7 500 W', ['CO2', 'at', '-5.5', 'C', '7 500', 'W']],
    ['風力発電', ['風', '力', '発', '電']],
    ['👩‍🔧 ok', ['👩‍🔧', 'ok']],
    ['', []],
    ['.', []],
  ])('%j', (text, expected) => expect(tokens(text)).toEqual(expected));

  it('into sentences, clauses and stretches', () => {
    const { tokens: all } = readText(
      'It stops, e.g. the fan, but not here. Then\nlock',
      FORGIVES_ALL,
      wordsOfLanguage('en'),
    );
    const by = (shown: string) => all.find((token) => token.shown === shown);
    expect(by('fan')?.sentence).toBe(by('It')?.sentence);
    expect(by('fan')?.segment).not.toBe(by('It')?.segment);
    expect(by('not')?.clause).not.toBe(by('fan')?.clause);
    expect(by('Then')?.sentence).not.toBe(by('not')?.sentence);
    expect(by('lock')?.sentence).not.toBe(by('Then')?.sentence);
  });

  it('however long and odd it is, in one pass', () => {
    const work = measureWork();
    for (const odd of ['a', '-', "'", '/', '(', '1,', '1 ', '漢', '\u200d', '👩‍🔧', "l'", 'a-'])
      readText(odd.repeat(20_000), FORGIVES_ALL, wordsOfLanguage('en'));
    expect(work()).toBeLessThan(4000);
  });
});

describe('what a careful reader sees', () => {
  it.each([
    [wants(['pump broken']), 'pump = broken', '1'],
    [wants(['pump broken']), 'pump→broken', '1'],
    [wants([{ parts: [['wing'], ['wing tip']], where: 'answer' }]), 'the wing tip', '0'],
    [wants([{ parts: [['wing'], ['wing tip']], where: 'answer' }]), 'the wing and its wing tip', '1'],
    [wants(['three halves'], ['halve']), 'three halves', '1'],
    [wants(['brake'], ['pitch']), 'the brake, not the pitch', '1'],
    [wants(['brake'], ['pitch']), 'the brake and the pitch', '0'],
    [wants(['brake'], ['pitch']), 'the brake rather than the pitch', '1'],
    [wants(['brake'], ['pitch']), 'the brake instead of the pitch', '1'],
    [wants(['brake']), 'the pitch rather than the brake', '0'],
    [wants(['brake']), 'There is no pitch. The brake stops it.', '1'],
    [wants(['brake']), 'It is not the pitch but the brake.', '1'],
    [wants(['brake']), "It hasn't a brake.", '0'],
    [wants(['brake']), "They mustn't use the brake.", '0'],
    [wants(['brake']), 'Nobody needs a brake.', '0'],
    [wants(['opens'], [], { endings: 'en' }), 'The valve fails to open.', '0'],
    [wants(['brake']), 'The brake fails.', '1'],
    [wants(['brake']), 'Neither a brake nor a lock.', '0'],
    [wants(['brake']), 'Not only the brake.', '1'],
    [wants(['7500 W']), 'P=7500W', '1'],
    [wants(['7500 W']), '7,500 W', '1'],
    [wants(['7500 W']), '7 500 W', '1'],
    [wants(['7500 W']), '7.5kW', '1'],
    [wants(['2.5']), '×2.5', '1'],
    [wants(['13']), 'thirteen', '1'],
    [wants(['11'], [], { endings: 'es' }), 'once', '1'],
    [wants(['11']), 'once', '0'],
    [wants(['between 12.2 and 12.3']), '2700/220=12.27', '1'],
    [wants(['between 12.2 and 12.3']), '12.4', '0'],
    [wants(['loss leader']), 'a lossleader', '1'],
    [wants(['photosynthesis']), 'photo synthesis', '1'],
    [wants(['surface of the skin']), 'on the surface of skin', '1'],
    [wants(['low energy']), 'it has lowenergy', '1'],
    [wants(['instalación'], [], { endings: 'es' }), 'las instalaciones', '1'],
    [wants(['instalación'], [], { endings: 'es' }), 'la instalacion', '1'],
    [wants(['élève'], [], { endings: 'fr' }), 'les eleves', '1'],
    [wants(['"ATP"']), 'atp', '0'],
    [wants(['"ATP"']), 'ATP', '1'],
    [wants(["'planter'"], [], { endings: 'fr' }), 'Planter une tige', '1'],
    [wants(["'planter'"], [], { endings: 'fr' }), 'une plante', '0'],
    [wants(['planter'], [], { endings: 'fr' }), 'une plante', '1'],
    [wants(["it isn't 'brake'"]), "it isn't brakes", '0'],
    [wants(['dilat…']), 'dilatational', '1'],
    [wants(['form']), 'fomr', '1'],
    [wants(['form']), 'from', '0'],
    [wants(['vasodilation']), 'vasodialation', '1'],
    [wants(['発電']), '風力発電です', '1'],
    [wants([{ pattern: '225\\s*>\\s*220' }]), 'as 225 > 220', '1'],
  ])('%#: %j', (rules, text, expected) => expect(share(rules as TextRules, text as string)).toBe(expected));

  it('in Spanish, French and German denials are denials', () => {
    const brakes: [Forgives['endings'], string, string][] = [
      ['es', 'freno', 'no tiene freno'],
      ['fr', 'frein', "il n'y a pas de frein"],
      ['de', 'Bremse', 'ohne die Bremse'],
    ];
    for (const [endings, word, text] of brakes) {
      expect(share(wants([word], [], { endings }), word)).toBe('1');
      expect(share(wants([word], [], { endings }), text)).toBe('0');
    }
  });
});
