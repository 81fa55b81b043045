import { describe, expect, it } from 'vitest';
import { sampleQuestion } from '../../../tests/drivers/samples';
import { freshFacts } from './facts';
import { mergeWritten, type Written } from './merge';

const base: Written = { body: sampleQuestion('Base'), facts: freshFacts };
const withBody = (part: Partial<Written['body']>): Written => ({ ...base, body: { ...base.body, ...part } });

describe('merging two versions of a question', () => {
  it('takes each part from the side that changed it', () => {
    const mine = withBody({ notes: 'mine' });
    const theirs: Written = { ...withBody({ title: 'Theirs' }), facts: { ...freshFacts, difficulty: 3 } };
    const { merged, disputed } = mergeWritten(base, mine, theirs);
    expect(disputed).toEqual([]);
    expect(merged.body).toEqual({ ...base.body, notes: 'mine', title: 'Theirs' });
    expect(merged.facts.difficulty).toBe(3);
  });

  it('asks about a part that both changed, and keeps mine until told otherwise', () => {
    const [mine, theirs] = [withBody({ notes: 'mine' }), withBody({ notes: 'theirs' })];
    expect(mergeWritten(base, mine, theirs)).toMatchObject({
      disputed: ['notes'],
      merged: { body: { notes: 'mine' } },
    });
    expect(mergeWritten(base, mine, theirs, { notes: 'theirs' }).merged.body.notes).toBe('theirs');
  });

  it('knows slots one by one, and one taken out from one changed', () => {
    const { a, b, c } = base.body.slots;
    if (!a || !b || !c) throw new Error('The sample has three slots');
    const mine = withBody({ slots: { a: { ...a, marks: '5' }, b, c } });
    const theirs = withBody({ slots: { a, b: { ...b, marks: '7' } } });
    const { merged, disputed } = mergeWritten(base, mine, theirs);
    expect(disputed).toEqual([]);
    expect(merged.body.slots).toEqual({ a: { ...a, marks: '5' }, b: { ...b, marks: '7' } });
    const both = mergeWritten(base, withBody({ slots: { a, b, c: { ...c, marks: '9' } } }), theirs);
    expect(both.disputed).toEqual(['slot c']);
  });

  it('a revision that is restored while a colleague types: what only one changed stands, the rest is asked', () => {
    const earlier = withBody({ title: 'As it was', explanation: withBody({}).body.explanation });
    const typed = withBody({ notes: 'typed meanwhile' });
    expect(mergeWritten(base, earlier, typed)).toMatchObject({
      disputed: [],
      merged: { body: { title: 'As it was', notes: 'typed meanwhile' } },
    });
    const both = mergeWritten(base, earlier, withBody({ title: 'Typed meanwhile' }));
    expect(both.disputed).toEqual(['title']);
  });

  it('does not mind the order of fields', () => {
    const turned = JSON.parse(JSON.stringify(base), (_, v: unknown) =>
      v && typeof v === 'object' && !Array.isArray(v) ? Object.fromEntries(Object.entries(v).reverse()) : v,
    ) as Written;
    expect(mergeWritten(base, turned, withBody({ title: 'T' }))).toMatchObject({
      disputed: [],
      merged: { body: { title: 'T' } },
    });
  });
});
