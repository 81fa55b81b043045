import { type Exact, max, min, stored } from '../base/exact';
import { type Finding, warns } from '../base/finding';
import { sectionsOf } from './lot';
import { sectionLetter } from './numbering';
import { sectionsWithout, type Traits } from './only';
import type { Pinned } from './paper';
import { poolOf } from './pool';

/** One set of sections that some people have in common. */
export interface Share {
  /** Ids of the sections that they do not have. */
  without: string[];
  people: number;
  /** The least and the most marks of a paper of theirs, without bonus. */
  least: Exact;
  most: Exact;
}

/** The different sets of sections that these people have, the most common first. */
export function sharesOf(pinned: Pinned, people: readonly Traits[]): Share[] {
  const shares = new Map<string, Share>();
  for (const who of people) {
    const without = sectionsWithout(pinned.plan, who);
    const known = shares.get(without.join());
    if (known) known.people += 1;
    else shares.set(without.join(), { without, people: 1, ...marksWithout(pinned, without) });
  }
  return [...shares.values()].sort((a, b) => b.people - a.people);
}

function marksWithout(pinned: Pinned, without: readonly string[]): Pick<Share, 'least' | 'most'> {
  const mine = sectionsOf(pinned.plan, { without }).map((section) => ({ ...section, only: undefined }));
  const { least, most } = poolOf({ ...pinned, plan: { ...pinned.plan, sections: mine } });
  return { least, most };
}

/** What is wrong with sections that are for some only, for the people who are to sit the exam. */
export function shareFindings({ plan }: Pinned, shares: readonly Share[]): Finding[] {
  const findings: Finding[] = [];
  plan.sections.forEach(({ id, only }, index) => {
    const named = only && only.subjects.length + only.groups.length + only.members.length > 0;
    if (named && shares.length > 0 && shares.every(({ without }) => without.includes(id)))
      findings.push(warns('section-for-nobody', ['section', id], { section: sectionLetter(index) }));
  });
  const empty = shares.find(({ without }) => without.length > 0 && without.length === plan.sections.length);
  if (empty) findings.push(warns('students-without-section', [], { count: empty.people }));
  const writing = shares.filter((share) => share !== empty);
  const [first] = writing;
  if (first && writing.some(({ most }) => !most.equals(first.most))) {
    const least = writing.map((share) => share.most).reduce((a, b) => min(a, b));
    const most = writing.map((share) => share.most).reduce((a, b) => max(a, b));
    findings.push(warns('shares-differ', [], { least: stored(least), most: stored(most) }));
  }
  return findings;
}
