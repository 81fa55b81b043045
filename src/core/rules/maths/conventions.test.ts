import { describe, expect, it } from 'vitest';
import { maths } from '../../kinds/maths/maths';
import { CONVENTIONS, rulesFromKey } from './rules';
import { understood } from './understood';

const verdict = (key: string, typed: string, conventions = CONVENTIONS): string => {
  const marking = maths.marked.mark(
    { ...maths.fresh(conventions), rules: rulesFromKey(key, conventions) },
    { formula: typed },
  );
  return marking.state === 'waits' ? 'waits' : marking.share.toFraction();
};

describe('conventions of a department', () => {
  it('decide what 1/2x is, and the other reading waits all the same', () => {
    const below = { ...CONVENTIONS, tightDenominators: true };
    expect([verdict('\\frac{x}{2}', '1/2x'), verdict('\\frac{1}{2x}', '1/2x')]).toEqual(['1', 'waits']);
    expect([verdict('\\frac{x}{2}', '1/2x', below), verdict('\\frac{1}{2x}', '1/2x', below)]).toEqual(['waits', '1']);
    expect(understood('1/2x', { tightDenominators: true })).toMatchObject({
      latex: expect.stringContaining('2x') as string,
    });
  });

  it('decide what log is', () => {
    const natural = { ...CONVENTIONS, logBase: 'e' as const };
    expect([verdict('2', 'log(100)'), verdict('2', 'log(100)', natural), verdict('1', 'log(e)', natural)]).toEqual([
      '1',
      '0',
      '1',
    ]);
  });

  it('stay with a slot when another key is typed', () => {
    const fresh = maths.fresh({ ...CONVENTIONS, decimalComma: true, tightDenominators: true });
    expect(maths.typed.withKey(fresh, 'x/2').rules).toMatchObject({ decimalComma: true, tightDenominators: true });
    expect(maths.sheet(fresh, 1)).toMatchObject({ decimalComma: true, tightDenominators: true, logBase: '10' });
  });
});
