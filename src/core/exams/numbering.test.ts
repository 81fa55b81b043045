import { describe, expect, it } from 'vitest';
import { type Numbered, numbersOf } from './numbering';

/** "-" a question, "+" a part of the one above, anything else a number of its own. */
const rows = (text: string): Numbered[] =>
  text.split(' ').map((one) => (one === '-' ? {} : one === '+' ? { part: true } : { number: one }));
const sections = (...texts: string[]) => texts.map((text, i) => ({ letter: 'ABC'[i] ?? '', items: rows(text) }));
const written = (style: 'through' | 'anew' | 'lettered', ...texts: string[]): string =>
  numbersOf(sections(...texts), style)
    .map((one) => one.join(' '))
    .join(' | ');

describe('the numbers of a paper', () => {
  it.each([
    ['through', ['- -', '- -'], '1 2 | 3 4'],
    ['anew', ['- -', '- -'], '1 2 | 1 2'],
    ['lettered', ['- -', '- -'], 'A1 A2 | B1 B2'],
    ['through', ['- + +', '- +'], '1a 1b 1c | 2a 2b'],
    ['lettered', ['- + -'], 'A1a A1b A2'],
    // Its own number is written as it is; a whole number goes on being counted from.
    ['through', ['Q - -'], 'Q 1 2'],
    ['through', ['- 7 -', '-'], '1 7 8 | 9'],
    ['anew', ['7 -', '-'], '7 8 | 1'],
    ['lettered', ['7 -'], '7 A8'],
    ['through', ['Q + -'], 'Qa Qb 1'],
    // What stands first in a section cannot be a part.
    ['through', ['-', '+ -'], '1 | 2 3'],
    ['through', ['+ +'], '1a 1b'],
  ] as const)('%s: %j are %s', (style, texts, numbers) => {
    expect(written(style, ...texts)).toBe(numbers);
  });

  it('has letters for any number of parts', () => {
    const many = numbersOf(
      [{ letter: 'A', items: [{}, ...Array.from({ length: 30 }, () => ({ part: true }))] }],
      'through',
    );
    expect([many[0]?.[25], many[0]?.[26], many[0]?.[30]]).toEqual(['1z', '1aa', '1ae']);
  });

  it('has none for a section without questions', () => {
    expect(numbersOf([{ letter: 'A', items: [] }], 'through')).toEqual([[]]);
  });
});
