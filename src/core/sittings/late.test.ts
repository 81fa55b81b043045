import { describe, expect, it } from 'vitest';
import { exact, stored } from '../base/exact';
import { lateCost, type LateRule, lateStretches } from './late';

const MINUTE = 60_000;
const rule: LateRule = { grace: 15, takes: '10', of: 'all', every: 'hour' };
const cost = (of: Partial<LateRule>, minutes: number, earned = '30') =>
  stored(lateCost({ rule: { ...rule, ...of }, by: minutes * MINUTE }, { earned: exact(earned), of: exact(40) }));

describe('lateness', () => {
  it.each([
    [0, 0],
    [15, 0],
    [15.001, 1],
    [60, 1],
    [60.001, 2],
  ])('%s minutes late are so many hours begun: %s', (minutes, hours) => {
    expect(lateStretches({ rule, by: minutes * MINUTE })).toBe(hours);
  });

  it.each<[string, Partial<LateRule>, number, string]>([
    ['percent of all marks', {}, 61, '8'],
    ['percent of what was earned', { of: 'earned' }, 61, '6'],
    ['marks', { of: 'marks', takes: '1/2', every: 'minute' }, 16, '8'],
    ['never more than what was earned', { of: 'marks', takes: '5', every: 'minute' }, 999, '30'],
    ['nothing within the grace', { of: 'marks', takes: '5', every: 'minute' }, 15, '0'],
  ])('costs %s', (_, of, minutes, expected) => {
    expect(cost(of, minutes)).toBe(expected);
  });
});
