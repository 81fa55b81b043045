import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { markNumber, type NumberRules, rulesFromKey } from './rules';
import { splitAnswer } from './split';

const share = (key: string, typed: string, more: Partial<NumberRules> = {}): string => {
  const marking = markNumber({ ...rulesFromKey(key), ...more }, typed, '');
  return marking.state === 'waits' ? 'waits' : stored(marking.share);
};

describe('an answer is split', () => {
  it.each([
    ['5.2 ± 0.1 MW', '5.2 MW', '0.1'],
    ['(5.2 ± 0.1) MW', '5.2 MW', '0.1'],
    ['5.2 MW ± 0.1 MW', '5.2 MW', '0.1'],
    ['5,2 +/- 0,1', '5,2', '0,1'],
    ['€12.50', '12.50 €', null],
    ['-$ 3', '-3 $', null],
    ['5.2 MW', '5.2 MW', null],
    ['2+3', '2+3', null],
    ['±', '±', null],
  ] as const)('%s', (typed, number, uncertainty) => {
    const split = splitAnswer(typed);
    expect(split.uncertainty).toBe(uncertainty);
    expect(split.number).toBe(number);
  });
});

describe('uncertainty', () => {
  const uncertainty = { value: '0.1', percent: '20', missing: '1/2' };
  it('is asked for with a tolerance of its own, and costs a share when it is missing', () => {
    expect([
      share('5.2 MW', '5.2 ± 0.1 MW', { uncertainty }),
      share('5.2 MW', '5.2 ± 0.12 MW', { uncertainty }),
      share('5.2 MW', '5.2 ± 0.3 MW', { uncertainty }),
      share('5.2 MW', '5.2 MW', { uncertainty }),
      share('5.2 MW', '9 ± 0.1 MW', { uncertainty }),
    ]).toEqual(['1', '1', '1/2', '1/2', '0']);
  });

  it('that nobody asked for does no harm', () => {
    expect([share('5.2 MW', '5.2 ± 0.1 MW'), share('5.2 MW', '5.2 MW ± 0.1 MW')]).toEqual(['1', '1']);
  });
});

describe('money', () => {
  it('stands before or behind, and no currency is another', () => {
    expect(['€12.50', '12,50 €', '12.5 EUR', '0.0125 kEUR'].map((typed) => share('12.50 €', typed))).toEqual([
      '1',
      '1',
      '1',
      '1',
    ]);
    expect(share('12.50 €', '$12.50')).toBe('0');
    expect(share('12.50 €', '12.50')).toBe('1/2');
  });
});

describe('percent', () => {
  it('is a fraction or not, as the teacher says', () => {
    expect([share('0.59', '59 %'), share('59 %', '0.59'), share('59 %', '59 %')]).toEqual(['1', '0', '1']);
    const either = { percent: 'either' as const };
    expect([share('0.59', '59 %', either), share('59 %', '0.59', either), share('59 %', '59', either)]).toEqual([
      '1',
      '1',
      '1/2',
    ]);
    const asWritten = { percent: 'asWritten' as const };
    expect([
      share('0.59', '59 %', asWritten),
      share('0.59', '0.59', asWritten),
      share('59 %', '59 %', asWritten),
    ]).toEqual(['0', '1', '1']);
  });
});
