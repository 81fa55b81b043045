import { type Exact, exact } from '../base/exact';
import type { Rounding } from '../exams/plan';
import { decidedPercent } from './decided';
import type { Boundaries } from './policy';

/** A section as far as passing asks for it. */
export interface SectionAsked {
  id: string;
  percent: Exact;
  /** The percent that the exam asks for; null when only the whole counts. */
  passPercent: string | null;
}

export interface Passing {
  passed: boolean;
  /** In the order of the sections: what a pass asks of each (null for nothing), whether that is reached, and whether the whole makes up for it. */
  sections: { passPercent: string | null; reached: boolean; madeUp: boolean }[];
}

/** The percent that a pass asks of a section: the exam's, unless the boundaries of the sitting say otherwise. */
export function askedOf({ sections = [] }: Boundaries, { id, passPercent }: Pick<SectionAsked, 'id' | 'passPercent'>) {
  const own = sections.find(({ section }) => section === id);
  return own && own.passPercent !== undefined ? own.passPercent : passPercent;
}

/**
 * Whether a score passes: the whole reaches the pass mark, and so does each
 * section that is asked for, but for as many as the compensation rule lets the
 * whole make up for.
 */
export function passOf(
  boundaries: Boundaries,
  rounding: Rounding,
  whole: Exact,
  sections: readonly SectionAsked[],
): Passing {
  const percent = decidedPercent(whole, rounding);
  const asked = sections.map((section) => {
    const passPercent = askedOf(boundaries, section);
    const own = decidedPercent(section.percent, rounding);
    const short = passPercent === null ? null : exact(passPercent).sub(own);
    return { passPercent, short, reached: short === null || short.compare(0) <= 0 };
  });
  const { compensation } = boundaries;
  const missed = asked.filter(({ reached }) => !reached);
  const compensates =
    compensation !== undefined &&
    compensation !== null &&
    percent.compare(exact(compensation.whole)) >= 0 &&
    missed.length <= compensation.sections &&
    missed.every(({ short }) => short !== null && short.compare(exact(compensation.by)) <= 0);
  return {
    passed: percent.compare(exact(boundaries.passPercent)) >= 0 && (missed.length === 0 || compensates),
    sections: asked.map(({ passPercent, reached }) => ({ passPercent, reached, madeUp: !reached && compensates })),
  };
}
