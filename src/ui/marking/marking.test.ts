import { describe, expect, it } from 'vitest';
import { exact, stored } from '@/core/base/exact';
import { readNumber } from '@/core/rules/number/read';
import type { DeskLine } from '@/server/marking/desk-lines';
import { marksText } from '../words/marks';
import { changeText, offered } from './kept-remarks';
import { inOrder, reasonOf } from './order';
import { withChange, withHalf } from './typed-marks';

describe('marks by keys', () => {
  it('have half a mark more or less, and only where a half can be', () => {
    expect(['', '0', '2', '2½', '½', '1/3', '1.5'].map(withHalf)).toEqual(['½', '½', '2½', '2', '0', '1/3', '1.5']);
  });

  it('go up from nothing and down from full, and never beyond either', () => {
    expect(withChange('', '+1', '4')).toBe('1');
    expect(withChange('', '−½', '4')).toBe('3½');
    expect(withChange('3½', '+1', '4')).toBe('4');
    expect(withChange('½', '-1', '4')).toBe('0');
    expect(withChange('1/3', '1/3', '1')).toBe('⅔');
    expect([withChange('2', 'some', '4'), withChange('many', '1', '4')]).toEqual([null, null]);
  });
});

it('marks are read again as they are shown', () => {
  for (const marks of ['1/2', '1/3', '2/3', '1/4', '3/4', '1/6', '5/6', '1/8', '3/8', '5/8', '7/8', '9/4', '7/3', '2'])
    expect(stored(readNumber(marksText(marks))?.value ?? exact('0'))).toBe(marks);
});

describe('what was said before', () => {
  const kept = ['Say why, not only what.', 'Which wind?', 'Whole sentences, please.'].map((words, i) => ({
    id: String(i),
    words,
    marks: i === 0 ? '-1/2' : null,
  }));

  it('is found by the first letters of its words, in any order', () => {
    const found = (typed: string) => offered(kept, typed).map(({ id }) => id);
    expect([found('wh'), found('w wi'), found('why SAY'), found('ind'), found('')]).toEqual([
      ['0', '1', '2'],
      ['1'],
      ['0'],
      [],
      ['0', '1', '2'],
    ]);
    expect(
      offered(
        Array.from({ length: 30 }, (_, i) => ({ id: String(i), words: 'w', marks: null })),
        'w',
      ),
    ).toHaveLength(8);
  });

  it('tells the marks that go with it by their sign', () => {
    expect([changeText('-1/2'), changeText('1')]).toEqual(['−½', '+1']);
  });
});

describe('the answers of a desk', () => {
  const line = (script: number, letter: string, code: string, unsure = false): DeskLine => ({
    attempt: `a${script}`,
    slot: letter,
    letter,
    script,
    name: null,
    secondLanguage: false,
    mark: script,
    marks: null,
    byPerson: false,
    reason: code === '' ? null : { code },
    unsure,
  });
  const lines = [
    line(3, 'A', 'by-a-person'),
    line(1, 'B', ''),
    line(2, 'A', 'no-rule-matched', true),
    line(1, 'A', 'by-a-person'),
  ];
  const order = (by: Parameters<typeof inOrder>[1]) =>
    inOrder(lines, by).map(({ letter, script }) => `${letter}${script}`);

  it('stand by script, by why they wait, or with the unsure ones first, slot by slot', () => {
    expect(order('script')).toEqual(['A1', 'A2', 'A3', 'B1']);
    expect(order('reason')).toEqual(['A1', 'A3', 'A2', 'B1']);
    expect(order('unsure')).toEqual(['A2', 'A1', 'A3', 'B1']);
    expect(lines.map(({ script }) => script)).toEqual([3, 1, 2, 1]);
  });

  it('tell why they wait, and nothing where nothing is known', () => {
    expect([reasonOf(line(1, 'A', 'no-rule-matched')), reasonOf(line(1, 'A', ''))]).toEqual([
      'none of the accepted answers',
      '',
    ]);
  });
});
