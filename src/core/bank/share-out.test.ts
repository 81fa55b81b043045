import { describe, expect, it } from 'vitest';
import { sampleQuestion } from '../../../tests/drivers/samples';
import { followedMarks } from './share-out';
import { exact, stored } from '../base/exact';
import * as labelSample from '../kinds/label/sample';
import { emptyQuestion, type QuestionBody } from './question';
import { totalMarks } from './summary';

const marksOf = (question: ReturnType<typeof sampleQuestion>): string[] =>
  Object.values(question.slots).map((slot) => slot.marks);

describe('a fixed total', () => {
  it('is shared out exactly, so that the shares add up to it', () => {
    const shared = followedMarks({ ...sampleQuestion('Shared'), total: '2' });
    expect(marksOf(shared)).toEqual(['2/3', '2/3', '2/3']);
    expect(totalMarks(shared).toFraction()).toBe('2');
  });

  it('leaves a question alone that has none, or no slot', () => {
    const free = sampleQuestion('Free');
    expect(followedMarks(free)).toBe(free);
    const empty = { ...free, total: '5', content: { type: 'doc' as const, content: [] } };
    expect(followedMarks(empty)).toBe(empty);
  });

  it('is the same thing once shared, so that nothing seems changed', () => {
    const once = followedMarks({ ...sampleQuestion('Once'), total: '4' });
    expect(followedMarks(once)).toBe(once);
  });
});

describe('marks for each part', () => {
  const labelled = (each: string, weight?: number): QuestionBody => {
    const { setup } = label;
    const places = setup.places.map((place, i) => (i === 0 && weight ? { ...place, weight } : place));
    const slot = { kind: 'label' as const, marks: '1', each, setup: { ...setup, places } };
    return { ...emptyQuestion, slots: { a: slot } };
  };
  const { sample: label } = labelSample;
  const of = label.setup.places.filter(({ accepts }) => accepts.length > 0).length;

  it('add up, those that count more as often as they count', () => {
    expect(marksOf(followedMarks(labelled('1/2')))).toEqual([stored(exact('1/2').mul(of))]);
    expect(marksOf(followedMarks(labelled('1/2', 3)))).toEqual([stored(exact('1/2').mul(of + 2))]);
  });

  it('are those of one while there is none, and stay with a fixed total that is shared out', () => {
    const bare = labelled('1/2');
    const [slot] = Object.values(bare.slots);
    const empty = { ...bare, slots: { a: { ...slot, setup: { ...label.setup, places: [] } } } } as QuestionBody;
    expect(marksOf(followedMarks(empty))).toEqual(['1/2']);
    const fixed = { ...sampleQuestion('Fixed'), total: '2' };
    const [first = ''] = Object.keys(fixed.slots);
    const both = { ...fixed, slots: { ...fixed.slots, [first]: { ...fixed.slots[first], each: '5' } } } as QuestionBody;
    expect(marksOf(followedMarks(both))).toEqual(['2/3', '2/3', '2/3']);
  });
});
