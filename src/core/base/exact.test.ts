import { describe, expect, it } from 'vitest';
import { exact, parseExact, percentOf, round, shown, stored, sum } from './exact';

describe('exact numbers', () => {
  it('adds thirds up to one', () => {
    expect(stored(sum([exact('1/3'), exact('1/3'), exact('1/3')]))).toBe('1');
  });

  it.each([
    ['1e999', null],
    ['1e-999', null],
    ['1/0', null],
    ['', null],
    ['abc', null],
    ['1.2.3', null],
    ['.5', '1/2'],
    ['-2e-1', '-1/5'],
    ['3/6', '1/2'],
  ])('reads %j as %j', (text, value) => {
    const parsed = parseExact(text);
    expect(parsed === null ? null : stored(parsed)).toBe(value);
  });

  it('refuses a number whose digits would grow memory', () => {
    expect(parseExact('9'.repeat(500))).toBeNull();
    expect(parseExact(`1/${'9'.repeat(500)}`)).toBeNull();
  });

  it('rounds only when asked, and to the places asked for', () => {
    const percent = percentOf(exact(2), exact(3));
    expect(stored(percent)).toBe('200/3');
    expect(round(percent, 1)).toBe('66.7');
    expect(round(percent, 0, 'floor')).toBe('66');
    expect(() => round(percent, -1)).toThrow(RangeError);
  });

  it('shows values without trailing zeros but keeps the zeros of whole numbers', () => {
    expect([shown(exact('10')), shown(exact('1/2')), shown(exact('200/3'))]).toEqual(['10', '0.5', '66.67']);
  });
});
