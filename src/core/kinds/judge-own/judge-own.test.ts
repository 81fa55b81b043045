import { describe, expect, it } from 'vitest';
import { differences } from '../../rules/rubric/differences';
import { judgeOwn, type JudgeOwnResponse } from './judge-own';
import { sample } from './sample';

const found = (level: number | null) => ({ level, marks: null, remark: '' });

describe('judging one’s own work', () => {
  it('takes levels that the rubric has, of criteria that it has', () => {
    const takes = (judgement: JudgeOwnResponse['judgement']) =>
      judgeOwn.accepts(sample.setup, { judgement, words: '' });
    expect([takes({ c1: found(3) }), takes({ c1: found(4) }), takes({ c9: found(0) }), takes({})]).toEqual([
      true,
      false,
      false,
      true,
    ]);
    expect(judgeOwn.blank({ judgement: { c1: found(null) }, words: ' ' })).toBe(true);
  });

  it('shows the marks of levels only where they are not hidden', () => {
    const marks = (hidesMarks: boolean) =>
      judgeOwn.sheet({ ...sample.setup, hidesMarks }, null).criteria[0]?.cells.map((cell) => cell.marks);
    expect([marks(true), marks(false)]).toEqual([
      [null, null, null, null],
      ['0', '1', '2', '3'],
    ]);
  });

  it('needs levels to choose from', () => {
    const rubric = { ...sample.setup.rubric, look: 'single' as const };
    expect(judgeOwn.readiness({ ...sample.setup, rubric }).map(({ code }) => code)).toContain('own-needs-levels');
  });

  it('is held against whoever marked, criterion by criterion, where both have judged', () => {
    const [first, second] = differences(sample.setup.rubric, [
      { own: { c1: found(3), c2: found(1) }, marker: { c1: found(1), c2: found(1) } },
      { own: { c1: found(2) }, marker: { c1: found(3), c2: found(0) } },
      { own: { c1: found(null) }, marker: { c1: found(0) } },
    ]);
    const told = (of: typeof first) => of?.counts.filter(({ scripts }) => scripts > 0);
    expect(told(first)).toEqual([
      { by: -1, scripts: 1 },
      { by: 2, scripts: 1 },
    ]);
    expect(told(second)).toEqual([{ by: 0, scripts: 1 }]);
    expect(first?.counts.map(({ by }) => by)).toEqual([-3, -2, -1, 0, 1, 2, 3]);
  });
});
