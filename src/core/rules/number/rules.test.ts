import { describe, expect, it } from 'vitest';
import { exact, stored } from '../../base/exact';
import {
  figures,
  markNumber,
  type NumberRules,
  numberRulesReadiness,
  otherReading,
  rulesFromKey,
  slipRule,
  SLIPS,
  type Tolerance,
} from './rules';
import { unitsLike } from './units';

function outcome(key: string, accept: Tolerance | null, answer: string, unit = ''): [string, string] {
  const rules = rulesFromKey(key);
  const first = rules.rules[0];
  if (first && accept) first.accept = accept;
  const marking = markNumber(rules, answer, unit);
  return [marking.state === 'marked' ? stored(marking.share) : 'waits', marking.trace.at(-1)?.code ?? ''];
}

describe('numbers with units', () => {
  const within: Tolerance = { by: 'relative', amount: '2' };
  it.each([
    ['5.19 MW', '1', 'number-within-relative'],
    ['5190 kW', '1', 'number-within-relative'],
    ['5,19 MW', '1', 'number-within-relative'],
    ['5.2938 MW', '1', 'number-within-relative'],
    ['5.29381 MW', '0', 'number-not-near'],
    ['5.19', '1/2', 'unit-missing'],
    ['5.19 MJ', '0', 'unit-wrong-dimension'],
    ['5.19 zzz', 'waits', 'unit-unknown'],
    ['five', 'waits', 'number-unreadable'],
    ['1e999 MW', 'waits', 'number-unreadable'],
    ['5.190.000 W', '1', 'number-within-relative'],
  ])('%j against 5.19 MW ± 2 %% gives %s (%s)', (answer, share, code) => {
    expect(outcome('5.19 MW', within, answer)).toEqual([share, code]);
  });

  it('counts the edge of a tolerance as inside, exactly', () => {
    expect(outcome('0.1', { by: 'absolute', amount: '0.2' }, '0.3')[0]).toBe('1');
    expect(outcome('0.1', { by: 'absolute', amount: '0.2' }, '0.30000000000000000001')[0]).toBe('0');
  });

  it('waits where only the reading as thousands would be right', () => {
    expect(outcome('1234 kg', null, '1.234 kg')).toEqual(['waits', 'number-ambiguous']);
    expect(outcome('1.234 kg', null, '1.234 kg')[0]).toBe('1');
  });

  it('converts absolute temperatures with their zero', () => {
    expect(outcome('288.15 K', { by: 'absolute', amount: '0' }, '15 °C')[0]).toBe('1');
    expect(outcome('288.15 K', { by: 'places', amount: 0 }, '288 K')[0]).toBe('1');
    expect(outcome('288.15 K', { by: 'places', amount: 0 }, '15 K')[0]).toBe('0');
  });

  it('takes a unit from its own field', () => {
    expect(outcome('9198 MWh', null, '9198', 'MWh')[0]).toBe('1');
    expect(outcome('9198 MWh', null, '9198', 'MW')).toEqual(['0', 'unit-wrong-dimension']);
  });

  it('means a whole number without a unit exactly, all else within 1 percent', () => {
    expect(outcome('3', null, '3.001')[0]).toBe('0');
    expect(outcome('6.98', null, '7.0')[0]).toBe('1');
  });
});

describe('significant figures', () => {
  it.each([
    ['0.0012349', 3, '1.23e-3'],
    ['12349', 3, '1.23e4'],
    ['9.996', 3, '1.00e1'],
    ['999.5', 3, '1.00e3'],
    ['-0.05', 1, '-5e-2'],
    ['0', 4, '0'],
  ])('%s to %i figures is %s', (value, n, expected) => {
    expect(figures(exact(value), n)).toBe(expected);
  });
});

it('readiness names what is wrong with the key', () => {
  const codes = (key: string): string[] => numberRulesReadiness(rulesFromKey(key)).map((f) => f.code);
  expect(codes('5.19 MW')).toEqual([]);
  expect(codes('')).toEqual(['no-key']);
  expect(codes('many')).toEqual(['key-not-a-number']);
  expect(codes('5 zork')).toEqual(['unit-unknown']);
});

describe('ranges and one-sided rules', () => {
  const rules = (accept: Tolerance, key = '3 kW'): NumberRules => {
    const made = rulesFromKey(key);
    return { ...made, rules: made.rules.map((rule) => ({ ...rule, accept })) };
  };
  it.each<[Tolerance, string, boolean]>([
    [{ by: 'range', amount: '5' }, '3 kW', true],
    [{ by: 'range', amount: '5' }, '5000 W', true],
    [{ by: 'range', amount: '5' }, '5.01 kW', false],
    [{ by: 'range', amount: '5' }, '2.99 kW', false],
    [{ by: 'atLeast', amount: '' }, '3 kW', true],
    [{ by: 'atLeast', amount: '' }, '1 MW', true],
    [{ by: 'atLeast', amount: '' }, '2 kW', false],
    [{ by: 'atMost', amount: '' }, '3000 W', true],
    [{ by: 'atMost', amount: '' }, '3.1 kW', false],
  ])('%j of 3 kW and %s: %s', (accept, typed, right) => {
    const marking = markNumber(rules(accept), typed, '');
    expect(marking.state === 'marked' && marking.share.equals(1)).toBe(right);
  });

  it('a range that holds nothing is found', () => {
    expect(numberRulesReadiness(rules({ by: 'range', amount: '2' })).map((f) => f.code)).toEqual([
      'range-turned-round',
    ]);
    expect(numberRulesReadiness(rules({ by: 'range', amount: '' })).map((f) => f.code)).toEqual([
      'tolerance-not-a-number',
    ]);
  });
});

describe('ready-made rules for slips', () => {
  const key = rulesFromKey('5.19 MW');
  const withSlips: NumberRules = {
    ...key,
    rules: [...key.rules, ...SLIPS.flatMap((slip) => slipRule(slip, key) ?? [])],
  };
  it.each([
    ['5.19 MW', '1', undefined],
    ['-5.19 MW', '1/2', 'The amount is right; look at the sign.'],
    ['5190 MW', '1/2', 'A thousand times too large.'],
    ['5.19 kW', '1/2', 'A thousand times too small.'],
    ['5.19 kJ', '1/2', 'The number is right, its unit is not.'],
    ['5.19 m/s', '1/2', 'The number is right, its unit is not.'],
    ['7 m/s', '0', undefined],
  ])('%s earns %s', (typed, share, feedback) => {
    const marking = markNumber(withSlips, typed, '');
    expect([
      marking.state === 'marked' && stored(marking.share),
      marking.state === 'marked' ? marking.feedback : '',
    ]).toEqual([share, feedback]);
  });

  it('are none while there is no key', () => expect(slipRule('sign', rulesFromKey(''))).toBeNull());
});

describe('spans of time', () => {
  const rules = rulesFromKey('5400 s');
  it.each([
    ['1 h 30 min', '1'],
    ['1h30min', '1'],
    ['1:30 h', '1'],
    ['90:00 min', '1'],
    ['90 min', '1'],
    ['1.5 h', '1'],
    ['1 h 31 min', '0'],
  ])('%s of 5400 s earns %s', (typed, share) => {
    const marking = markNumber(rules, typed, '');
    expect(marking.state === 'marked' && stored(marking.share)).toBe(share);
  });
});

describe('keys as teachers type them', () => {
  const mark = (key: string, typed: string, unit = ''): string => {
    const marking = markNumber(rulesFromKey(key), typed, unit);
    return marking.state === 'marked' ? stored(marking.share) : 'waits';
  };
  it('money, an uncertainty, and the same uncertainty in another unit', () => {
    expect(rulesFromKey('€1250')).toMatchObject({ unit: '€', rules: [{ value: '1250' }] });
    expect(mark('€1250', '1250 €')).toBe('1');
    expect(rulesFromKey('5.2 ± 0.1 MW')).toMatchObject({
      unit: 'MW',
      rules: [{ value: '5.2' }],
      uncertainty: { value: '0.1' },
    });
    expect(mark('5.2 ± 0.1 MW', '5200 ± 100 kW')).toBe('1');
    expect(mark('5.2 ± 0.1 MW', '(5.2 ± 0.1) MW')).toBe('1');
    expect(mark('5.2 ± 0.1 MW', '5200 ± 900 kW')).toBe('1/2');
    expect(mark('5.2 ± 0.1 MW', '5.2 MW')).toBe('1/2');
  });

  it('two readings of a comma are asked about, one of a point is not', () => {
    const codes = (key: string): string[] => numberRulesReadiness(rulesFromKey(key)).map((f) => f.code);
    expect(codes('5,000')).toEqual(['key-two-readings']);
    expect(otherReading('5,000')).toEqual({ one: '5', other: '5000' });
    for (const key of ['5000', '1.225 kg/m^3', '0,125', '1,250,000', '12,5']) expect(codes(key)).toEqual([]);
  });

  it('the unit that was written counts, whatever is printed beside it', () => {
    expect(mark('12 kW', '12', 'kW')).toBe('1');
    expect(mark('12 kW', '12 W', 'kW')).toBe('0');
    expect(mark('12 kW', '12000 W', 'kW')).toBe('1');
  });

  it('turns a minute are a speed of turning, and 100 grad are 90 degrees', () => {
    for (const typed of ['1500 1/min', '1500/min', '1500 min^-1', '1500 min⁻¹', '25 rev/s', '157.08 1/s'])
      expect(mark('1500 rpm', typed)).toBe('1');
    for (const typed of ['1500 Hz', '1500 1/s']) expect(mark('1500 rpm', typed)).toBe('0');
    expect(mark('90 °', '100 grad')).toBe('1');
  });

  it('a list of units begins with the key’s and its neighbours', () => {
    expect(unitsLike('kW')).toEqual(['kW', 'W', 'mW', 'MW', 'GW']);
    expect(unitsLike('m/s')[0]).toBe('m/s');
    expect(unitsLike('nonsense')).toEqual(['nonsense']);
  });
});
