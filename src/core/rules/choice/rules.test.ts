import { expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { type ChoiceScheme, markChoices } from './rules';

const two = new Set(['a', 'b']);
const twelve = new Set(Array.from({ length: 12 }, (_, i) => `k${i}`));

// Common practice, no source: two keys for one mark, one right and one wrong chosen: ½ with part marks, 0 without;
// twelve places for six marks, two right: 1.
it.each([
  ['part marks, one right and one wrong', two, ['a', 'x'], 'by-part', '1/2'],
  ['no part marks, one right and one wrong', two, ['a', 'x'], 'whole', '0'],
  ['deductions take the part back', two, ['a', 'x'], 'by-part-deductions', '0'],
  ['never below zero', two, ['x', 'y', 'z'], 'by-part-deductions', '0'],
  ['two of twelve', twelve, ['k0', 'k1'], 'by-part', '1/6'],
  ['everything chosen earns nothing by part', two, ['a', 'b', 'x'], 'by-part', '0'],
  ['chosen twice counts once', two, ['a', 'a'], 'by-part', '1/2'],
  ['all keys', two, ['b', 'a'], 'whole', '1'],
] as [string, Set<string>, string[], ChoiceScheme, string][])('%s', (_, keys, chosen, scheme, share) => {
  const marking = markChoices(keys, chosen, scheme);
  expect(marking.state === 'marked' && stored(marking.share)).toBe(share);
});

it('twelve places for six marks, two right: 1', () => {
  const marking = markChoices(twelve, ['k0', 'k1'], 'by-part');
  expect(marking.state === 'marked' && stored(marking.share.mul(6))).toBe('1');
});
