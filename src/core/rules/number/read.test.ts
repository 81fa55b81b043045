import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { readNumber } from './read';

describe('numbers as people type them', () => {
  it.each([
    ['5.19', '519/100', ''],
    ['5,19', '519/100', ''],
    ['1.234,5', '2469/2', ''],
    ['1,234.5', '2469/2', ''],
    ['1 234 567', '1234567', ''],
    ["1'234'567", '1234567', ''],
    ['1.234.567', '1234567', ''],
    ['٣٫٥', '7/2', ''],
    ['１２', '12', ''],
    ['−3', '-3', ''],
    ['1.5e6 W', '1500000', 'W'],
    ['1.5 × 10^6 W', '1500000', 'W'],
    ['1,5·10⁶ W', '1500000', 'W'],
    ['3/4', '3/4', ''],
    ['1½', '3/2', ''],
    ['¾', '3/4', ''],
    ['2⅔ m', '8/3', 'm'],
    ['-⅛', '-1/8', ''],
    ['⅒', '1/10', ''],
    ['2 1/2 m', '5/2', 'm'],
    ['12 %', '12', '%'],
    ['5.19 MW', '519/100', 'MW'],
    ['5.19MW', '519/100', 'MW'],
    ['6362 m²', '6362', 'm^2'],
    ['10 m/s', '10', 'm/s'],
  ])('reads %j', (text, value, rest) => {
    const reading = readNumber(text);
    expect(reading && [stored(reading.value), reading.rest]).toEqual([value, rest]);
  });

  it.each(['', 'about 5', '1e999', '1.2.3', '1,23,4', '1/0', '--3', 'x'.repeat(500)])('does not read %j', (text) => {
    expect(readNumber(text)).toBeNull();
  });

  it('sees that "1.234" can be read in two ways, and "0.234" and "12345.678" in one', () => {
    expect(readNumber('1.234')?.other?.valueOf()).toBe(1234);
    expect(readNumber('0.234')?.other).toBeUndefined();
    expect(readNumber('12345.678')?.other).toBeUndefined();
  });
});
