import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { paperQuestions, unmended } from './paper';
import { type VersionsApart, versionsOf } from './versions';

const { plan, revisions } = sampleExam(12);
const drawing = unmended(
  {
    ...plan,
    sections: plan.sections.map((s) => ({ ...s, draws: [{ id: s.id, take: 3, items: s.items.map((i) => i.id) }] })),
  },
  revisions,
);
const papers = (apart: VersionsApart, count = 4, without: string[] = []): string[][] =>
  versionsOf(drawing, { count, apart, without }).map(({ paper }) => paperQuestions(paper).map(({ id }) => id));
const sorted = (ids: readonly string[]): string => [...ids].sort().join(' ');

describe('printed versions', () => {
  it('are called A, B, C, and are the same every time', () => {
    expect(versionsOf(drawing, { count: 3, apart: 'order', without: [] }).map(({ name }) => name)).toEqual([
      'A',
      'B',
      'C',
    ]);
    expect(papers('order')).toEqual(papers('order'));
  });

  it('of another order have the same questions, A in that of the plan, each section by itself', () => {
    const all = papers('order');
    expect(new Set(all.map(sorted)).size).toBe(1);
    expect(new Set(all.map((ids) => ids.join(' '))).size).toBe(4);
    expect(all[0]).toEqual([...(all[0] ?? [])].sort((a, b) => Number(a.slice(1)) - Number(b.slice(1))));
    for (const ids of all) expect(ids.slice(0, 3).every((id) => Number(id.slice(1)) < 6)).toBe(true);
  });

  it('of other draws are other papers', () => {
    expect(new Set(papers('draws').map(sorted)).size).toBeGreaterThan(2);
  });

  it('are all in another order where there are orders enough, and as many as are asked for where there are not', () => {
    // The questions stand in two sections: of one and two there are two orders, of two and two four, of three and three 36.
    for (const [size, count, orders] of [
      [3, 4, 2],
      [4, 6, 4],
      [6, 20, 20],
    ] as const) {
      const { plan: own, revisions: bodies } = sampleExam(size);
      const all = versionsOf(unmended(own, bodies), { count, apart: 'order', without: [] });
      expect(all).toHaveLength(count);
      expect(
        new Set(
          all.map(({ paper }) =>
            paperQuestions(paper)
              .map(({ id }) => id)
              .join(),
          ),
        ).size,
      ).toBe(orders);
    }
  });

  it('leave out sections that are for others, and are numbered from 1', () => {
    const [a] = versionsOf(drawing, { count: 1, apart: 'order', without: ['s1'] });
    expect(a?.paper.sections.map(({ letter }) => letter)).toEqual(['B']);
    expect(a && paperQuestions(a.paper).map(({ number }) => number)).toEqual(['1', '2', '3']);
  });
});
