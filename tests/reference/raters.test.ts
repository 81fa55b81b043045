import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { fleissKappa, intraclass, krippendorffAlpha } from '@/core/agreement/many-raters';
import { agreementOf, pairTable, shareInterval } from '@/core/agreement/two-raters';
import { agrees } from './compare';
import { raterRows } from './rater-agreement';
import { measureWork } from '../drivers/work';

describe('agreement of raters', () => {
  it('is what the papers and R say, in 69 figures', () => {
    const rows = raterRows(path.join(import.meta.dirname, 'fixtures', 'agreement.json'));
    expect(rows).toHaveLength(69);
    expect(rows.filter((row) => !agrees(row))).toEqual([]);
  });

  it('says nothing where nothing can be said', () => {
    expect(agreementOf([]).kappa).toBeNull();
    expect(agreementOf([[12]])).toMatchObject({ exact: 1, kappa: null, gwetAc1: null, kappaError: null });
    expect(fleissKappa([])).toBeNull();
    expect(fleissKappa([[3, 0]])).toBeNull();
    expect(krippendorffAlpha([], 'interval')).toBeNull();
    expect(
      krippendorffAlpha(
        [
          [1, null],
          [null, 2],
        ],
        'nominal',
      ),
    ).toBeNull();
    expect(
      krippendorffAlpha(
        [
          [2, 2],
          [2, 2],
        ],
        'ordinal',
      ),
    ).toBeNull();
    expect(intraclass([[1, 2]])).toBeNull();
    expect(
      intraclass([
        [1, 1],
        [1, 1],
      ]),
    ).toBeNull();
  });

  // Brown, Cai, DasGupta (2001), Statistical Science 16: the interval for none of n is 0 to z²/(n + z²).
  it('gives a share its uncertainty', () => {
    const z2 = 1.959963984540054 ** 2;
    expect(shareInterval(0, 10)[0]).toBe(0);
    expect(shareInterval(0, 10)[1]).toBeCloseTo(z2 / (10 + z2), 12);
    expect(shareInterval(10, 10)[1]).toBeCloseTo(1, 12);
    expect(shareInterval(0, 0)).toEqual([0, 1]);
  });

  it('takes under 50 ms for 2,000 scripts marked twice', () => {
    const pairs = Array.from({ length: 2000 }, (_, i) => [(i * 7) % 21, ((i * 7) % 21) + (i % 3) - 1] as const);
    const work = measureWork();
    const got = agreementOf(pairTable(pairs, (a, b) => a - b));
    krippendorffAlpha([pairs.map(([a]) => a), pairs.map(([, b]) => b)], 'interval');
    expect(work()).toBeLessThan(50);
    expect(got.n).toBe(2000);
    expect(got.adjacent).toBe(1);
  });
});
