import { describe, expect, it } from 'vitest';
import { sampleQuestion } from '../../../tests/drivers/samples';
import { sharedOut } from './share-out';
import { totalMarks } from './summary';

const marksOf = (question: ReturnType<typeof sampleQuestion>): string[] =>
  Object.values(question.slots).map((slot) => slot.marks);

describe('a fixed total', () => {
  it('is shared out exactly, so that the shares add up to it', () => {
    const shared = sharedOut({ ...sampleQuestion('Shared'), total: '2' });
    expect(marksOf(shared)).toEqual(['2/3', '2/3', '2/3']);
    expect(totalMarks(shared).toFraction()).toBe('2');
  });

  it('leaves a question alone that has none, or no slot', () => {
    const free = sampleQuestion('Free');
    expect(sharedOut(free)).toBe(free);
    const empty = { ...free, total: '5', content: { type: 'doc' as const, content: [] } };
    expect(sharedOut(empty)).toBe(empty);
  });

  it('is the same thing once shared, so that nothing seems changed', () => {
    const once = sharedOut({ ...sampleQuestion('Once'), total: '4' });
    expect(sharedOut(once)).toBe(once);
  });
});
