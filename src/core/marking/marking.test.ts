import { describe, expect, it } from 'vitest';
import { exact, stored } from '../base/exact';
import {
  hasShare,
  isShareOf,
  markingPlanSchema,
  marksTogether,
  type Second,
  type Sharing,
  USUAL_MARKING,
  wantsSecond,
} from './plan';
import { paceOf } from './progress';

const second = (part: Partial<Second>): Second => ({ ...USUAL_MARKING.second, ...part });
const answer = (n: number) => ({ sitting: 's', attempt: `a${n}`, item: 'i', slot: 'c' });

describe('answers that are shared out', () => {
  it('go round among markers by script, each to exactly one', () => {
    const sharing: Sharing = { by: 'script', markers: ['mia', 'ned', 'ole'] };
    for (let script = 1; script <= 30; script++) {
      const whose = ['mia', 'ned', 'ole'].filter((marker) => isShareOf(sharing, { item: 'i', script }, marker));
      expect(whose).toHaveLength(1);
    }
    expect(isShareOf(sharing, { item: 'i', script: 1 }, 'another')).toBe(false);
    expect([hasShare(sharing, 'mia'), hasShare(sharing, 'another')]).toEqual([true, false]);
    expect(markingPlanSchema.safeParse({ ...USUAL_MARKING, sharing: { by: 'script', markers: [] } }).success).toBe(
      false,
    );
  });

  it('belong to the markers of their question, or to all where nobody is named', () => {
    const sharing: Sharing = { by: 'question', markers: { one: ['mia'] } };
    expect(isShareOf(sharing, { item: 'one', script: 1 }, 'ned')).toBe(false);
    expect(isShareOf(sharing, { item: 'one', script: 1 }, 'mia')).toBe(true);
    expect(isShareOf(sharing, { item: 'two', script: 1 }, 'ned')).toBe(true);
    expect([hasShare(sharing, 'mia'), hasShare(sharing, 'ned'), hasShare({ by: 'all' }, 'mia')]).toEqual([
      true,
      false,
      false,
    ]);
  });
});

describe('a second mark', () => {
  const [score, pass] = [exact('52'), exact('50')];

  it('is wanted of about the share that is said, and always of the same answers', () => {
    const drawn = () =>
      Array.from({ length: 2000 }, (_, n) => n).filter((n) =>
        wantsSecond(second({ which: 'share', percent: 20 }), answer(n), score, pass),
      );
    // Four standard deviations of a binomial of 2,000 at 0.2 are 72.
    expect(Math.abs(drawn().length - 400)).toBeLessThan(72);
    expect(drawn()).toEqual(drawn());
    expect(wantsSecond(second({ which: 'share', percent: 100 }), answer(1), score, pass)).toBe(true);
  });

  it('is wanted of scripts near the pass mark, on both sides', () => {
    const near = (percent: string) =>
      wantsSecond(second({ which: 'near pass', near: 5 }), answer(1), exact(percent), pass);
    expect([near('44.9'), near('45'), near('55'), near('55.1')]).toEqual([false, true, true, false]);
    expect(wantsSecond(second({ which: 'none' }), answer(1), score, pass)).toBe(false);
    expect(wantsSecond(second({ which: 'all' }), answer(1), score, pass)).toBe(true);
  });

  it('counts as is said, unless the two are too far apart', () => {
    const come = (counts: Second['counts'], first: string, other: string) => {
      const marks = marksTogether(second({ counts, apart: 25 }), exact(first), exact(other), exact('4'));
      return marks && stored(marks);
    };
    expect([come('first', '2', '3'), come('mean', '2', '3'), come('higher', '2', '3')]).toEqual(['2', '5/2', '3']);
    expect([come('mean', '2', '13/4'), come('first', '4', '0')]).toEqual([null, null]);
    expect(marksTogether(second({ apart: 0 }), exact('1/3'), exact('1/3'), exact('1'))?.equals(exact('1/3'))).toBe(
      true,
    );
  });
});

describe('the pace of a marker', () => {
  it('is the median from mark to mark without breaks, with mean and spread of what was given', () => {
    const minute = 60_000;
    const marked = [0, 1, 3, 4, 60, 61].map((at, i) => ({
      at: at * minute,
      percent: [0, 50, 100, 50, 50, 50][i] ?? 0,
    }));
    expect(paceOf(marked)).toMatchObject({ count: 6, seconds: 60, mean: 50 });
    // 0, 50, 100, 50, 50, 50: squares 2 × 2,500 over 5.
    expect(paceOf(marked).spread).toBeCloseTo(Math.sqrt(1000), 12);
    expect(paceOf([])).toEqual({ count: 0, seconds: null, mean: 0, spread: null });
    expect(paceOf([{ at: 5, percent: 80 }])).toEqual({ count: 1, seconds: null, mean: 80, spread: null });
  });
});
