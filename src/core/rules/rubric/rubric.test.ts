import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { freshRubric, type Judgement, judge, type Rubric, rubricReadiness, rubricSchema } from './rubric';

const cell = (marks: string | null = null) => ({ words: 'seen', marks });
const rubric: Rubric = {
  version: 1,
  title: 'Report',
  look: 'grid',
  levels: [
    { name: 'none', marks: '0' },
    { name: 'some', marks: '1' },
    { name: 'all', marks: '3' },
  ],
  criteria: [
    { id: 'c1', title: 'Findings', weight: '2', must: null, cells: [cell(), cell(), cell()] },
    { id: 'c2', title: 'Safety', weight: '1', must: 1, cells: [cell(), cell('2'), cell('4')] },
  ],
};
const levels = (c1: number | null, c2: number | null): Judgement => ({
  c1: { level: c1, marks: null, remark: '' },
  c2: { level: c2, marks: null, remark: 'look up' },
});

describe('a rubric', () => {
  it('adds weighted marks over the most there are; one cell may have marks of its own', () => {
    // 2 × 1 + 4 of 2 × 3 + 4.
    const judged = judge(rubric, levels(1, 2));
    expect([judged.share && stored(judged.share), stored(judged.earned), stored(judged.of)]).toEqual([
      '3/5',
      '6',
      '10',
    ]);
    expect(judged.trace[1]?.values).toEqual({
      criterion: 'Safety',
      level: 'all',
      marks: '4',
      of: '4',
      remark: 'look up',
    });
  });

  it('decides nothing while a criterion is open', () => {
    expect(judge(rubric, levels(2, null))).toMatchObject({ share: null, open: ['c2'] });
    expect(judge(rubric, {})).toMatchObject({ share: null, open: ['c1', 'c2'] });
    expect(judge(rubric, levels(2, 7)).open).toEqual(['c2']);
  });

  it('earns nothing when what must be reached is not, and says which', () => {
    const judged = judge(rubric, levels(2, 0));
    expect([judged.share && stored(judged.share), judged.failed]).toEqual(['0', 'Safety']);
    expect(judged.trace.at(-1)).toEqual({ code: 'rubric-must', values: { criterion: 'Safety' } });
  });

  it('with one column takes typed marks up to its own', () => {
    const single = freshRubric('single');
    const marks = (text: string): Judgement =>
      Object.fromEntries(single.criteria.map(({ id }) => [id, { level: null, marks: text, remark: '' }]));
    expect(judge(single, marks('3')).share?.toFraction()).toBe('3/4');
    expect(judge(single, marks('5')).share).toBeNull();
  });

  it('stays between nothing and everything, whatever is found', () => {
    const at = fc.integer({ min: 0, max: 2 });
    fc.assert(
      fc.property(at, at, (c1, c2) => {
        const { share } = judge(rubric, levels(c1, c2));
        expect(share && share.compare(0) >= 0 && share.compare(1) <= 0).toBe(true);
      }),
    );
  });

  it('says what is missing in it, and is refused when cells and levels do not fit', () => {
    expect(rubricReadiness(rubric)).toEqual([]);
    for (const look of ['grid', 'single', 'whole'] as const)
      expect(rubricReadiness(freshRubric(look)).every(({ code }) => code === 'criterion-without-words')).toBe(true);
    const broken: Rubric = {
      ...rubric,
      levels: rubric.levels.map((level) => ({ ...level, name: 'same' })),
      criteria: [
        { ...rubric.criteria[0], id: 'c1', title: '', weight: '1', must: 5, cells: [cell('0'), cell('0'), cell('0')] },
      ],
    };
    expect(rubricReadiness(broken).map(({ code }) => code)).toEqual([
      'criterion-without-title',
      'criterion-worth-nothing',
      'criterion-must-unknown',
      'level-twice',
      'level-twice',
    ]);
    expect(rubricSchema.safeParse({ ...rubric, levels: rubric.levels.slice(1) }).success).toBe(false);
  });
});
