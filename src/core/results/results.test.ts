import type { Content } from '../content/document';
import { contentFromText } from '../content/written';
import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { ofSeed } from '../exams/lot';
import { exact, stored } from '../base/exact';
import { assemble, paperQuestions, unmended } from '../exams/paper';
import { boundariesReadiness, boundariesSchema, type Boundaries, fillIn, withPassMark } from './policy';
import { countingScore } from './counting';
import { score, type SlotMarks } from './score';
import { spread } from './spread';

const { plan, revisions } = sampleExam(3);
const paper = assemble(unmended(plan, revisions), ofSeed(0));
const boundaries: Boundaries = {
  version: 1,
  passPercent: '50',
  ranges: [
    { from: '0', text: contentFromText('low') },
    { from: '50', text: contentFromText('middle') },
    { from: '85', text: contentFromText('high') },
  ],
  grades: [
    { from: '0', grade: 'F' },
    { from: '50', grade: 'C' },
    { from: '85', grade: 'A' },
  ],
};

/** The same marks for every slot, as a share of its worth. */
function everywhere(share: string | null): SlotMarks {
  return new Map(
    paperQuestions(paper).map((item) => [
      item.id,
      new Map([...item.worth].map(([slot, worth]) => [slot, share === null ? null : worth.mul(exact(share))])),
    ]),
  );
}

describe('a score', () => {
  it('adds thirds exactly and rounds only for reading', () => {
    const result = score(paper, everywhere('1/3'), { boundaries, rounding: plan.rounding });
    expect(stored(result.marks)).toBe('4');
    expect(result.shown).toEqual({ marks: '4', of: '12', percent: '33.3' });
  });

  it('decides on the exact percent: 49.96 fails though it is shown as 50.0', () => {
    const nearly = score(paper, everywhere('4996/10000'), { boundaries, rounding: plan.rounding });
    expect([nearly.shown.percent, nearly.passed, nearly.grade, nearly.range]).toEqual(['50.0', false, 'F', 0]);
    const rounded = score(paper, everywhere('4996/10000'), { boundaries, rounding: { ...plan.rounding, first: true } });
    expect([rounded.passed, rounded.grade, rounded.range]).toEqual([true, 'C', 1]);
  });

  it('counts what waits, and a slot without any mark waits too', () => {
    expect(score(paper, everywhere(null), { boundaries, rounding: plan.rounding }).waiting).toBe(9);
    expect(score(paper, new Map(), { boundaries, rounding: plan.rounding })).toMatchObject({
      waiting: 9,
      passed: false,
    });
  });

  it('asks for each section where it is wanted', () => {
    const strict = { ...plan, sections: plan.sections.map((s, i) => ({ ...s, passPercent: i === 1 ? '60' : null })) };
    const strictPaper = assemble(unmended(strict, revisions), ofSeed(0));
    const marks = new Map(
      paperQuestions(strictPaper).map((item) => [
        item.id,
        new Map([...item.worth].map(([slot, worth]) => [slot, item.id === 'i2' ? worth.div(2) : worth])),
      ]),
    );
    const result = score(strictPaper, marks, { boundaries, rounding: plan.rounding });
    expect([result.shown.percent, result.passed, result.sections.map((s) => s.passed)]).toEqual([
      '83.3',
      false,
      [true, false],
    ]);
  });

  it('who misses a section gets range and grade below the pass mark, whatever the whole says', () => {
    const strict = { ...plan, sections: plan.sections.map((s, i) => ({ ...s, passPercent: i === 1 ? '60' : null })) };
    const strictPaper = assemble(unmended(strict, revisions), ofSeed(0));
    const marks = new Map(
      paperQuestions(strictPaper).map((item) => [
        item.id,
        new Map([...item.worth].map(([slot, worth]) => [slot, item.id === 'i2' ? worth.div(2) : worth])),
      ]),
    );
    const result = score(strictPaper, marks, { boundaries, rounding: plan.rounding });
    expect([result.passed, result.grade, result.range]).toEqual([false, 'F', 0]);
  });

  it('never lets a question take marks from others', () => {
    const marks = new Map(everywhere('1')) as Map<string, Map<string, ReturnType<typeof exact>>>;
    marks.set('i0', new Map([['a', exact(-5)]]));
    expect(stored(score(paper, marks, { boundaries, rounding: plan.rounding }).marks)).toBe('8');
  });
});

describe('a score where deductions reach below zero', () => {
  const reaching = assemble(unmended({ ...plan, belowZero: true }, revisions), ofSeed(0));
  const policy = { boundaries, rounding: plan.rounding };

  it('lets a question take marks from others, and never ends below zero', () => {
    const one = new Map(everywhere('1')) as Map<string, Map<string, ReturnType<typeof exact>>>;
    const { worth } = paperQuestions(reaching)[0] ?? { worth: new Map<string, ReturnType<typeof exact>>() };
    one.set('i0', new Map([...worth].map(([slot, marks]) => [slot, marks.mul(-1)])));
    expect(stored(score(reaching, one, policy).marks)).toBe('4');
    expect(stored(score(paper, one, policy).marks)).toBe('8');
    const none = score(reaching, everywhere('-1'), policy);
    expect([none.marks, none.percent].map(stored)).toEqual(['0', '0']);
    expect([none.passed, none.range, none.grade]).toEqual([false, 0, 'F']);
  });
});

describe('boundaries', () => {
  it('go with the pass mark when they stood on it, as far as their neighbours let them', () => {
    const moved = withPassMark(boundaries, '60');
    expect([moved.passPercent, moved.ranges[1]?.from, moved.grades[1]?.from]).toEqual(['60', '60', '60']);
    expect([moved.ranges[2]?.from, moved.grades[2]?.from]).toEqual(['85', '85']);
    const far = withPassMark(boundaries, '90');
    expect([far.passPercent, far.ranges[1]?.from, far.grades[1]?.from]).toEqual(['90', '50', '50']);
    expect(withPassMark({ ...boundaries, passPercent: '55' }, '60').ranges).toEqual(boundaries.ranges);
  });

  it('that say “passed” on the wrong side of the pass mark get a remark, and so does a grade across it', () => {
    const codes = (passPercent: string, low: string, high: string): string[] =>
      boundariesReadiness({
        ...boundaries,
        passPercent,
        ranges: [
          { from: '0', text: contentFromText(low) },
          { from: '50', text: contentFromText(high) },
        ],
      }).map((f) => f.code);
    expect(codes('50', 'Not passed yet', 'Passed with [score]')).toEqual([]);
    expect(codes('60', 'Not passed yet', 'Passed with [score]')).toEqual(['range-says-passed', 'grade-across-pass']);
    expect(codes('40', 'You have failed', 'The pass mark is 40')).toEqual([
      'range-says-not-passed',
      'grade-across-pass',
    ]);
  });

  it('rise from zero, without gaps or overlaps', () => {
    expect(boundariesReadiness(boundaries)).toEqual([]);
    const codes = (ranges: Boundaries['ranges']): string[] =>
      boundariesReadiness({ ...boundaries, ranges }).map((f) => f.code);
    expect(codes([{ from: '10', text: contentFromText('x') }])).toEqual(['boundary-gap-at-zero']);
    expect(
      codes([
        { from: '0', text: contentFromText('x') },
        { from: '50', text: contentFromText('') },
        { from: '50', text: contentFromText('x') },
      ]),
    ).toEqual(['boundary-order', 'range-without-text']);
  });

  it('fill values into what a range reads, and leave other brackets alone', () => {
    const values = {
      score: '9',
      total: '12',
      percent: '75 %',
      name: 'Ravi',
      'weakest section': 'Rotor',
      'best section': 'Site',
      'weakest topic': 'Yaw',
      'best topic': 'Pitch',
      'to the next range': '5 %',
      date: '3 May',
    };
    expect(fillIn(contentFromText('[name]: [score] of [total]. Look at [weakest section] [sic].'), values)).toEqual(
      contentFromText('Ravi: 9 of 12. Look at Rotor [sic].'),
    );
    // Weights and lists stay; what becomes empty leaves nothing behind that the editor would refuse.
    const bold = (text: string): Content => ({
      type: 'doc',
      content: [
        { type: 'paragraph', content: [{ type: 'text', text, marks: [{ type: 'bold' }] }] },
        { type: 'paragraph', content: [{ type: 'text', text: '[best section]' }] },
      ],
    });
    expect(fillIn(bold('[name]'), { ...values, 'best section': '' })).toEqual({
      type: 'doc',
      content: [bold('Ravi').content[0], { type: 'paragraph', content: [] }],
    });
  });
});

describe('the text of a range', () => {
  const read = (text: unknown) =>
    boundariesSchema.safeParse({ version: 1, passPercent: '50', ranges: [{ from: '0', text }], grades: [] });

  it('was plain before, and is read on: no sign in it means anything', () => {
    const plain = read('Well done\n**[name]** has $5$');
    expect(plain.data?.ranges[0]?.text).toEqual({
      type: 'doc',
      content: [
        { type: 'paragraph', content: [{ type: 'text', text: 'Well done' }] },
        { type: 'paragraph', content: [{ type: 'text', text: '**[name]** has $5$' }] },
      ],
    });
  });

  it('holds no pictures, slots or scripts, and no more than 2,000 characters', () => {
    const doc = (node: unknown) => ({ type: 'doc', content: [node] });
    const paragraph = (text: string) => doc({ type: 'paragraph', content: [{ type: 'text', text }] });
    expect(read(paragraph('<script>alert(1)</script>')).success).toBe(true);
    expect(read(doc({ type: 'blockSlot', attrs: { id: 'a' } })).success).toBe(false);
    expect(read(doc({ type: 'blockFormula', attrs: { latex: 'x' } })).success).toBe(false);
    expect(read(paragraph('x'.repeat(2000))).success).toBe(true);
    expect(read(paragraph('x'.repeat(2001))).success).toBe(false);
    const long = {
      version: 1 as const,
      passPercent: '50',
      grades: [],
      ranges: [{ from: '0', text: contentFromText('x'.repeat(2001)) }],
    };
    expect(boundariesReadiness(long)).toContainEqual(
      expect.objectContaining({ code: 'range-text-long', at: ['ranges', 0] }),
    );
  });
});

it('the spread of 2, 4, 4, 4, 5, 5, 7, 9 is the handbook example: mean 5, sum of squares 32', () => {
  expect(spread([2, 4, 4, 4, 5, 5, 7, 9])).toEqual({ mean: 5, median: 4.5, deviation: Math.sqrt(32 / 7) });
  expect(spread([])).toBeNull();
});

describe('a late hand-in', () => {
  const policy = { boundaries, rounding: plan.rounding };
  const rule = { grace: 0, takes: '10', of: 'all', every: 'hour' } as const;
  it('costs marks of the whole, and pass, grade and range follow; sections stay as they were earned', () => {
    const inTime = score(paper, everywhere('11/20'), policy, { lateness: { rule, by: 0 } });
    expect([stored(inTime.marks), inTime.late, inTime.passed]).toEqual(['33/5', null, true]);
    const late = score(paper, everywhere('11/20'), policy, { lateness: { rule, by: 1 } });
    expect([stored(late.marks), late.passed, late.grade, late.range]).toEqual(['27/5', false, 'F', 0]);
    expect([late.late?.by, late.late && stored(late.late.cost)]).toEqual([1, '6/5']);
    expect(late.sections).toEqual(inTime.sections);
  });
});

describe('of several attempts', () => {
  const policy = { boundaries, rounding: plan.rounding };
  const attempt = (id: string, handedInAt: number, share: string) => ({
    attempt: id,
    handedInAt,
    score: score(paper, everywhere(share), policy),
  });
  const all = [attempt('b', 2, '9/10'), attempt('c', 3, '3/10'), attempt('a', 1, '1/10')];
  it.each([
    ['best', 'b', '54/5', true],
    ['last', 'c', '18/5', false],
    ['mean', 'c', '26/5', false],
  ] as const)('the %s counts', (counts, id, marks, passed) => {
    const counting = countingScore(all, counts, policy);
    expect([counting?.attempt, counting && stored(counting.score.marks), counting?.score.passed]).toEqual([
      id,
      marks,
      passed,
    ]);
  });

  it('of equal ones the last is the best; one alone is all of them; of none there is none', () => {
    expect(countingScore([attempt('x', 1, '1/2'), attempt('y', 2, '1/2')], 'best', policy)?.attempt).toBe('y');
    for (const counts of ['best', 'last', 'mean'] as const)
      expect(countingScore([attempt('x', 1, '1/2')], counts, policy)?.attempt).toBe('x');
    expect(countingScore([], 'mean', policy)).toBeNull();
  });

  it('a mean asks for its sections too', () => {
    const strict = { ...plan, sections: plan.sections.map((s, i) => ({ ...s, passPercent: i === 1 ? '60' : null })) };
    const strictPaper = assemble(unmended(strict, revisions), ofSeed(0));
    const one = (share: string) => ({
      attempt: share,
      handedInAt: 1,
      score: score(strictPaper, everywhere(share), policy),
    });
    expect(countingScore([one('1/2'), one('6/10')], 'mean', policy)?.score).toMatchObject({
      passed: false,
      grade: 'F',
    });
    expect(countingScore([one('6/10'), one('7/10')], 'mean', policy)?.score).toMatchObject({
      passed: true,
      grade: 'C',
    });
  });
});
