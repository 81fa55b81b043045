import { letterAt } from '../base/letters';
import { type Lot, met, sectionsOf } from './lot';
import { assemble, type Paper, paperQuestions, type Pinned } from './paper';

/** How printed versions differ: the same questions in another order, or other draws. */
export const VERSIONS_APART = ['order', 'draws'] as const;
export type VersionsApart = (typeof VERSIONS_APART)[number];

export interface Version {
  /** A, B, C … */
  name: string;
  paper: Paper;
  lot: Lot;
}

/**
 * So many versions of a paper for print. Version A is the paper as the plan
 * has it; the others have its questions in orders of their own, with options in
 * orders of their own too, or are papers with other draws. No two have the same
 * questions in the same order, as far as there are orders and draws enough.
 * The same versions every time.
 *
 * @param count from 1
 */
export function versionsOf(
  pinned: Pinned,
  { count, apart, without }: { count: number; apart: VersionsApart; without: readonly string[] },
): Version[] {
  const first: Lot = { seed: FIRST_SEED, without };
  const taken = new Set<string>();
  return Array.from({ length: count }, (_, i): Version => {
    const from = i > 0 && apart === 'order' ? { ...pinned, plan: inAnyOrder(pinned, first) } : pinned;
    let lot = { seed: FIRST_SEED + i, without };
    let paper = assemble(from, lot);
    for (let tried = 1; taken.has(orderOf(paper)) && tried < MOST_TRIED; tried++) {
      lot = { seed: FIRST_SEED + i + tried * SEEDS_APART, without };
      paper = assemble(from, lot);
    }
    taken.add(orderOf(paper));
    return { name: letterAt(i), paper, lot };
  });
}

const FIRST_SEED = 1;
/** An order that another version has already is drawn anew so often, each time by a seed that no other version begins with. */
const [MOST_TRIED, SEEDS_APART] = [30, 1000];

const orderOf = (paper: Paper): string =>
  paperQuestions(paper)
    .map(({ id }) => id)
    .join(' ');

/** The plan with what the paper of a lot has, and nothing more to draw, each section in any order. */
function inAnyOrder(pinned: Pinned, lot: Lot): Pinned['plan'] {
  const sections = sectionsOf(pinned.plan, lot).map((section) => ({
    ...section,
    items: met(pinned, section, lot.seed),
    draws: [],
    shuffleQuestions: true,
  }));
  return { ...pinned.plan, sections };
}
