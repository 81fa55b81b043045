import { describe, expect, it } from 'vitest';
import { LANGUAGE_WORDS, languageBySigns, otherLanguage, spelledNumber, wordsOfLanguage } from './languages';
import { soundOf } from './sound';

const bare = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .split(/[^a-z]+/);

describe('the language of an answer', () => {
  it.each([
    ['The brake stops it because the pitch is slow', 'en', null],
    ['Es la velocidad que sube en la bajada', 'en', 'es'],
    ['C’est pour avoir une plante dans la terre', 'en', 'fr'],
    ['Das ist die Bremse und der Wind', 'en', 'de'],
    ['It is the brake and not the wind', 'de', 'en'],
    ['brake, pitch', 'en', null],
    ['', 'en', null],
    // One foreign word, or a name, makes no other language.
    ['The brake is kaputt, la de da', 'en', null],
  ] as const)('%j, where %s is expected: %s', (text, expected, found) =>
    expect(otherLanguage(bare(text), expected)).toBe(found),
  );

  it('is told by its signs only where it is long, and has hardly a small word of the expected one', () => {
    const italian = 'Il vento gira il rotore e questo muove il generatore che produce corrente elettrica';
    expect(languageBySigns(italian, bare(italian), 'en')).toBe('ita');
    expect(languageBySigns(italian.slice(0, 50), bare(italian.slice(0, 50)), 'en')).toBeNull();
    const telegraph = 'vessels dilate, more blood skin surface, heat lost radiation convection surroundings';
    expect(languageBySigns(telegraph, bare(telegraph), 'en')).toBeNull();
    const odd = '?'.repeat(500);
    expect(languageBySigns(odd, [], 'en')).toBeNull();
  });
});

describe('what is known of a language', () => {
  it('stands in small letters without accents, as it is looked up', () => {
    for (const words of Object.values(LANGUAGE_WORDS)) {
      const all = [...words.function, ...words.denials, ...words.lessening, ...words.turns, ...words.corrections];
      expect(all.filter((word) => !/^[a-z ]+$/.test(word))).toEqual([]);
      for (const list of [words.denials, words.auxiliaries, words.determiners, words.ors])
        expect([...list].filter((word) => !words.function.has(word))).toEqual([]);
    }
  });

  it('of none in particular leaves out what is another word in English', () => {
    const any = wordsOfLanguage('none');
    expect(['not', 'ohne', 'jamais', 'nunca'].every((word) => any.denials.has(word))).toBe(true);
    expect(any.denials.has('statt')).toBe(false);
    expect(any.determiners).toBe(LANGUAGE_WORDS.en.determiners);
  });

  it.each([
    ['thirteen', 'en', 13],
    ['treize', 'fr', 13],
    ['dreizehn', 'de', 13],
    ['once', 'es', 11],
    ['once', 'en', null],
    ['rotor', 'en', null],
  ] as const)('%s in %s is %s', (word, language, number) => expect(spelledNumber(word, language)).toBe(number));
});

describe('how words sound', () => {
  it.each([
    ['nacelle', 'nasel'],
    ['frequency', 'freequensy'],
    ['physics', 'fisix'],
    ['knowledge', 'nollege'],
    ['receive', 'recieve'],
  ])('%s as %s', (a, b) => expect(soundOf(a)).toBe(soundOf(b)));
  it.each([
    ['rotor', 'motor'],
    ['stator', 'starter'],
    ['voltage', 'wattage'],
  ])('%s not as %s', (a, b) => expect(soundOf(a)).not.toBe(soundOf(b)));
});
