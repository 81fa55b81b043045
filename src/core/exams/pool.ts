import { type Exact, sum, ZERO } from '../base/exact';
import { numbersOf, sectionLetter } from './numbering';
import { counted, headOf, questionAt, type PaperQuestion, type PaperSection, type Pinned } from './paper';
import type { Section } from './plan';

/** A section with everything in it that may be met. */
export interface PoolSection extends Omit<PaperSection, 'marks'> {
  /** The least and the most that a paper can have in it, without bonus. */
  least: Exact;
  most: Exact;
}

/**
 * Everything that the papers of a plan may hold: what desks, readiness and
 * reports speak of, since no two papers need be alike. Numbers count through
 * the pool, in the author's order; numbers that vary are those of an example.
 */
export interface Pool {
  sections: PoolSection[];
  least: Exact;
  most: Exact;
}

/** Where numbers vary, the pool shows those of this seed. */
const EXAMPLE = 0;

export function poolOf(pinned: Pinned): Pool {
  const rows = pinned.plan.sections.map((section, index) => ({ ...section, letter: sectionLetter(index) }));
  const numbers = numbersOf(rows, pinned.plan.numbering);
  const sections = rows.map((section, s): PoolSection => {
    const items = section.items.map((item, i) => questionAt(pinned, section, item, numbers[s]?.[i] ?? '', EXAMPLE));
    const marks = marksOf(section, items);
    // Whoever does not have the section has none of its marks.
    return { ...headOf(section, section.letter), items, ...marks, least: section.only ? ZERO : marks.least };
  });
  return { sections, least: sum(sections.map((s) => s.least)), most: sum(sections.map((s) => s.most)) };
}

export function poolQuestions(pool: Pool): PaperQuestion[] {
  return pool.sections.flatMap((s) => s.items);
}

function marksOf({ draws }: Section, items: readonly PaperQuestion[]): { least: Exact; most: Exact } {
  const drawn = new Set(draws.flatMap((draw) => draw.items));
  const always = sum(items.filter(({ id }) => !drawn.has(id)).map(counted));
  const ranges = draws.map((draw) => {
    const marks = items
      .filter(({ id }) => draw.items.includes(id))
      .map(counted)
      .sort((a, b) => a.compare(b));
    return { least: sum(marks.slice(0, draw.take)), most: sum(marks.slice(-draw.take)) };
  });
  return {
    least: always.add(sum(ranges.map((r) => r.least))),
    most: always.add(sum(ranges.map((r) => r.most))),
  };
}
