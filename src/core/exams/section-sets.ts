import { type Exact, max, min, stored } from '../base/exact';
import { type Finding, warns } from '../base/finding';
import { sectionsOf } from './lot';
import { sectionLetter } from './numbering';
import { namesNobody, sectionsWithout, type Traits } from './only';
import type { Pinned } from './paper';
import { poolOf } from './pool';

/** One set of sections that some people have in common. */
export interface SectionSet {
  /** Ids of the sections that they do not have. */
  without: string[];
  people: number;
  /** The least and the most marks of a paper of theirs, without bonus. */
  least: Exact;
  most: Exact;
}

/** The different sets of sections that these people have, the most common first. */
export function sectionSetsOf(pinned: Pinned, people: readonly Traits[]): SectionSet[] {
  const sets = new Map<string, SectionSet>();
  for (const who of people) {
    const without = sectionsWithout(pinned.plan, who);
    const known = sets.get(without.join());
    if (known) known.people += 1;
    else sets.set(without.join(), { without, people: 1, ...marksWithout(pinned, without) });
  }
  return [...sets.values()].sort((a, b) => b.people - a.people);
}

function marksWithout(pinned: Pinned, without: readonly string[]): Pick<SectionSet, 'least' | 'most'> {
  const mine = sectionsOf(pinned.plan, { without }).map((section) => ({ ...section, only: undefined }));
  const { least, most } = poolOf({ ...pinned, plan: { ...pinned.plan, sections: mine } });
  return { least, most };
}

/** What is wrong with sections that are for some only, for the people who are to sit the exam. */
export function sectionSetFindings({ plan }: Pinned, sets: readonly SectionSet[]): Finding[] {
  const findings: Finding[] = [];
  plan.sections.forEach(({ id, only }, index) => {
    if (only && !namesNobody(only) && sets.length > 0 && sets.every(({ without }) => without.includes(id)))
      findings.push(warns('section-for-nobody', ['section', id], { section: sectionLetter(index) }));
  });
  const empty = sets.find(({ without }) => without.length > 0 && without.length === plan.sections.length);
  if (empty) findings.push(warns('students-without-section', [], { count: empty.people }));
  const writing = sets.filter((set) => set !== empty);
  const [first] = writing;
  if (first && writing.some(({ most }) => !most.equals(first.most))) {
    const least = writing.map((set) => set.most).reduce((a, b) => min(a, b));
    const most = writing.map((set) => set.most).reduce((a, b) => max(a, b));
    findings.push(warns('papers-differ', [], { least: stored(least), most: stored(most) }));
  }
  return findings;
}
