import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { isFor, NO_TRAITS, sectionsWithout, type Traits } from './only';
import { unmended } from './paper';
import type { Only } from './plan';
import { poolOf } from './pool';
import { examReadiness } from './readiness';
import { sectionSetFindings, sectionSetsOf } from './section-sets';

const { plan, revisions } = sampleExam(3);
const nobody: Only = { subjects: [], groups: [], members: [] };
const who = (part: Partial<Traits>): Traits => ({ ...NO_TRAITS, ...part });
/** The first section (8 marks) is for everybody, the second (4 marks) for some. */
const forSome = (only: Only) =>
  unmended({ ...plan, sections: plan.sections.map((s, i) => (i === 1 ? { ...s, only } : s)) }, revisions);

describe('what is for some students only', () => {
  it.each([
    ['a subject, however it is written', { ...nobody, subjects: ['Hydraulics'] }, { subjects: [' hydraulics'] }, true],
    ['another subject', { ...nobody, subjects: ['Hydraulics'] }, { subjects: ['Hydraulic'] }, false],
    ['a group', { ...nobody, groups: ['g1'] }, { groups: ['g2', 'g1'] }, true],
    ['a name', { ...nobody, members: ['m1'] }, { members: ['m1'] }, true],
    ['one of three ways', { subjects: ['x'], groups: ['y'], members: ['m1'] }, { members: ['m1'] }, true],
    ['nobody named', nobody, { subjects: ['Hydraulics'], groups: ['g1'], members: ['m1'] }, false],
    ['a guest, of whom nothing is known', { ...nobody, subjects: ['Hydraulics'] }, {}, false],
  ] as [string, Only, Partial<Traits>, boolean][])('%s', (_, only, traits, expected) => {
    expect(isFor(only, who(traits))).toBe(expected);
  });

  it('what is for everybody is for guests too', () => {
    expect(sectionsWithout(plan, NO_TRAITS)).toEqual([]);
    expect(sectionsWithout(forSome({ ...nobody, groups: ['g1'] }).plan, NO_TRAITS)).toEqual(['s2']);
  });
});

describe('who has which sections', () => {
  const people = [who({ groups: ['g1'] }), who({ groups: ['g2'] }), who({ groups: ['g2'] })];

  it('is counted, with the marks of their papers', () => {
    const sets = sectionSetsOf(forSome({ ...nobody, groups: ['g1'] }), people);
    expect(sets.map(({ without, people: n, most }) => [without, n, most.valueOf()])).toEqual([
      [['s2'], 2, 8],
      [[], 1, 12],
    ]);
    const pool = poolOf(forSome({ ...nobody, groups: ['g1'] }));
    expect([pool.least.valueOf(), pool.most.valueOf()]).toEqual([8, 12]);
  });

  it('warns of papers that are not worth the same, of sections for nobody and of students without any', () => {
    const codes = (only: Only, all = people): string[] => {
      const pinned = forSome(only);
      return sectionSetFindings(pinned, sectionSetsOf(pinned, all)).map(({ code }) => code);
    };
    expect(codes({ ...nobody, groups: ['g1'] })).toEqual(['papers-differ']);
    expect(codes({ ...nobody, groups: ['g1', 'g2'] })).toEqual([]);
    expect(codes({ ...nobody, groups: ['g3'] })).toEqual(['section-for-nobody']);
    expect(codes({ ...nobody, groups: ['g3'] }, [])).toEqual([]);
    const each = unmended(
      { ...plan, sections: plan.sections.map((s) => ({ ...s, only: { ...nobody, groups: ['g1'] } })) },
      revisions,
    );
    expect(
      sectionSetFindings(each, sectionSetsOf(each, people)).map(({ code, values }) => [code, values?.count]),
    ).toEqual([['students-without-section', 2]]);
  });

  it('a section for some of whom none is named stops', () => {
    const found = examReadiness(forSome(nobody)).findings.filter(({ weight }) => weight === 'stops');
    expect(found).toMatchObject([{ code: 'section-for-nobody', values: { section: 'B' } }]);
  });
});

describe("a section's own marks", () => {
  it('hold for each question that says nothing else', () => {
    const [first, second] = plan.sections;
    if (!first || !second) throw new Error('Two sections');
    const items = first.items.map((item, i) => ({ ...item, marks: i === 0 ? '7' : null }));
    const { sections } = poolOf(unmended({ ...plan, sections: [{ ...first, items, marks: '3' }, second] }, revisions));
    expect(sections.map((s) => s.items.map(({ marks }) => marks.valueOf()))).toEqual([[7, 3], [4]]);
  });
});
