import { describe, expect, it } from 'vitest';
import { searchSchema } from '@/core/bank/searching';
import { examForm, type ExamPlan } from '@/core/exams/plan';
import { sampleExam } from '../../../tests/drivers/samples';
import {
  changedDraw,
  changedItem,
  movedItem,
  withDraw,
  withItem,
  withoutDraw,
  withoutItems,
  withoutSection,
  withSection,
} from './plan-moves';

/** Two sections of three questions: i0 i1 i2, and i3 i4 i5. */
const { plan } = sampleExam(6);
const [one = '', two = ''] = plan.sections.map(({ id }) => id);
const order = (now: ExamPlan): string =>
  now.sections.map(({ items }) => items.map(({ id }) => id).join(' ')).join(' | ');

describe('questions of a plan', () => {
  it('are moved to where another stands, downwards behind it, and to the end of a section', () => {
    expect(order(movedItem(plan, 'i0', 'i2'))).toBe('i1 i2 i0 | i3 i4 i5');
    expect(order(movedItem(plan, 'i2', 'i0'))).toBe('i2 i0 i1 | i3 i4 i5');
    expect(order(movedItem(plan, 'i0', 'i4'))).toBe('i1 i2 | i3 i0 i4 i5');
    expect(order(movedItem(plan, 'i5', one))).toBe('i0 i1 i2 i5 | i3 i4');
    expect(order(movedItem(plan, 'i0', one))).toBe('i1 i2 i0 | i3 i4 i5');
  });

  it('stay where they are when nothing such is there', () => {
    for (const [item, to] of [
      ['i0', 'i0'],
      ['i9', 'i0'],
      ['i0', 'i9'],
    ] as const)
      expect(movedItem(plan, item, to)).toBe(plan);
  });

  it('come, change and go one by one', () => {
    const item = { id: 'new', question: 'q9', revision: 1, marks: null, bonus: false };
    expect(order(withItem(plan, two, item))).toBe('i0 i1 i2 | i3 i4 i5 new');
    expect(order(withoutItems(plan, new Set(['i1'])))).toBe('i0 i2 | i3 i4 i5');
    const bonus = changedItem(plan, 'i1', { bonus: true }).sections.flatMap(({ items }) => items);
    expect(bonus.filter((each) => each.bonus).map(({ id }) => id)).toEqual(['i1']);
  });
});

describe('sections and draws of a plan', () => {
  it('are such as the server keeps, whatever was done to them', () => {
    const drawn = changedDraw(withDraw(withSection(plan, 'three'), 'three', 'd'), 'd', { take: 5, marks: '5/2' });
    expect(examForm.schema.parse(drawn)).toEqual(drawn);
    expect(drawn.sections.map(({ draws }) => draws.length)).toEqual([0, 0, 1]);
    expect(drawn.sections[2]?.draws[0]).toMatchObject({ id: 'd', take: 5, marks: '5/2', items: [] });
    // It takes from everything until more is said.
    expect(searchSchema.parse(drawn.sections[2]?.draws[0]?.seeks)).toMatchObject({
      bank: null,
      topic: null,
      kind: null,
    });
    expect(withoutSection(withoutDraw(drawn, 'd'), 'three')).toEqual(plan);
  });

  it('are others’ business: a draw of another name changes nothing', () => {
    const drawn = withDraw(plan, one, 'd');
    expect(changedDraw(drawn, 'e', { take: 9 })).toEqual(drawn);
    expect(withoutDraw(drawn, 'e')).toEqual(drawn);
  });
});
