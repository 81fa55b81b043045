import { describe, expect, it } from 'vitest';
import { sampleExam, sampleQuestion } from '../../../tests/drivers/samples';
import { contentFromLines } from '../content/lines';
import { met, ofSeed, placementsMet } from './lot';
import { assemble, paperQuestions, unmended } from './paper';
import type { Placement, Section } from './plan';

/** Questions on passages, by their letters: "aab-" asks two on a, one on b and one on none. */
function about(passages: string) {
  const { plan, revisions } = sampleExam(passages.length, (i) => {
    const id = passages[i] ?? '-';
    const passage = id === '-' ? null : { id, content: contentFromLines(id), numbered: 'nothing' as const };
    return { ...sampleQuestion(`Question ${i}`), passage };
  });
  const items = plan.sections.flatMap((section) => section.items);
  const [first] = plan.sections;
  if (!first) throw new Error('A section');
  return { plan, revisions, section: { ...first, items } };
}

/** The order on papers, as the passages that they are about. */
function papers(passages: string, change: Partial<Section>, keepPassages = true): string[] {
  const { plan, revisions, section } = about(passages);
  const one = { ...section, ...change };
  const pinned = { plan: { ...plan, keepPassages, sections: [one] }, revisions };
  const of = ({ id }: Placement): string => passages[Number(id.slice(1))] ?? '';
  return Array.from({ length: 200 }, (_, seed) => met(pinned, one, seed).map(of).join(''));
}

const all = (passages: string): string[] => [...passages].map((_, i) => `i${i}`);

describe('what stays together', () => {
  it('what is asked about one passage, in shuffles, wherever it stood', () => {
    const shuffledPapers = papers('abab--', { shuffleQuestions: true });
    for (const paper of shuffledPapers) expect(paper).toMatch(/^(?=.*aa)(?=.*bb)/);
    expect(new Set(shuffledPapers).size).toBeGreaterThan(10);
  });

  it('not where the plan does not say so, as in sittings from before', () => {
    expect(papers('abab--', { shuffleQuestions: true }, false).some((paper) => !/aa/.test(paper))).toBe(true);
  });

  it('the order that the author gave is not touched', () => {
    expect(new Set(papers('abab-', {}))).toEqual(new Set(['abab-']));
  });

  it('in draws: a passage comes with all that is asked about it, as long as it fits', () => {
    const drawn = papers('aabb--', { draws: [{ id: 'd', take: 3, items: all('aabb--') }] });
    for (const paper of drawn) {
      expect(paper).toHaveLength(3);
      expect(paper).toMatch(/^(aa|bb)-$|^-(aa|bb)$/);
    }
    expect(new Set(drawn.map((paper) => paper.replace('-', ''))).size).toBe(2);
  });

  it('and is parted only where nothing else would make up the number', () => {
    const drawn = papers('aaabbb', { draws: [{ id: 'd', take: 4, items: all('aaabbb') }] });
    expect(new Set(drawn.map((paper) => [...paper].sort().join('')))).toEqual(new Set(['aaab', 'abbb']));
  });

  it('a question with its parts', () => {
    const { plan, revisions, section } = about('------');
    const items = section.items.map((item, i) => (i === 1 || i === 2 || i === 5 ? { ...item, part: true } : item));
    const pinned = unmended({ ...plan, sections: [{ ...section, items, shuffleQuestions: true }] }, revisions);
    for (let seed = 0; seed < 50; seed++) {
      const asked = paperQuestions(assemble(pinned, ofSeed(seed)));
      const at = (id: string): number => asked.findIndex((one) => one.id === id);
      expect([at('i1'), at('i2'), at('i5')]).toEqual([at('i0') + 1, at('i0') + 2, at('i4') + 1]);
      expect(asked[at('i1')]?.number).toMatch(/^\db$/);
    }
  });
});

describe('a lot without some sections', () => {
  const { plan, revisions } = sampleExam(4);
  const pinned = unmended(plan, revisions);

  it('gives a paper of the others, with the letters of the plan, its own marks and numbers from 1', () => {
    const paper = assemble(pinned, { seed: 1, without: ['s1'] });
    expect(paper.sections.map(({ letter }) => letter)).toEqual(['B']);
    expect(paper.marks.valueOf()).toBe(8);
    expect(paperQuestions(paper).map(({ number }) => number)).toEqual(['1', '2']);
    expect([...placementsMet(pinned, { seed: 1, without: ['s1'] })]).toEqual(['i2', 'i3']);
  });

  it('draws the same as one with all', () => {
    const drawing = unmended(
      {
        ...plan,
        sections: plan.sections.map((s) => ({ ...s, draws: [{ id: s.id, take: 1, items: s.items.map((i) => i.id) }] })),
      },
      revisions,
    );
    for (let seed = 0; seed < 20; seed++) {
      const [, whole] = assemble(drawing, ofSeed(seed)).sections;
      const [part] = assemble(drawing, { seed, without: ['s1'] }).sections;
      expect(part?.items.map(({ id }) => id)).toEqual(whole?.items.map(({ id }) => id));
    }
  });
});
