import { type Exact, exact } from '../base/exact';
import type { Rounding } from '../exams/plan';
import { decidedPercent } from './decided';
import type { Boundaries } from './policy';

/** A section, topic or criterion as far as passing asks for it. */
export interface PartAsked {
  id: string;
  percent: Exact;
  /** What there is to earn; where that is nothing (all of it was taken out of the counting), nothing is asked. */
  of: Exact;
  /** The percent that the exam asks for; null when only the whole counts. */
  passPercent: string | null;
}

export interface Passing {
  passed: boolean;
  /** In the order of the parts: what a pass asks of each (null for nothing), whether that is reached, and whether the whole makes up for it. */
  parts: { passPercent: string | null; reached: boolean; madeUp: boolean }[];
}

/** The percent that a pass asks of a section or another part: the exam's, unless the boundaries of the sitting say otherwise. */
export function askedOf(
  { sections = [], parts = [] }: Boundaries,
  { id, passPercent }: Pick<PartAsked, 'id' | 'passPercent'>,
): string | null {
  const own = sections.find(({ section }) => section === id) ?? parts.find((part) => part.id === id);
  return own && own.passPercent !== undefined ? own.passPercent : passPercent;
}

/**
 * Whether a score passes: the whole reaches the pass mark, and so does each
 * section, topic and criterion that is asked for, but for as many sections and
 * topics as the compensation rule lets the whole make up for; for a criterion
 * nothing makes up.
 */
export function passOf(boundaries: Boundaries, rounding: Rounding, whole: Exact, parts: readonly PartAsked[]): Passing {
  const percent = decidedPercent(whole, rounding);
  const firm = new Set((boundaries.parts ?? []).flatMap(({ is, id }) => (is === 'criterion' ? [id] : [])));
  const asked = parts.map((part) => {
    const passPercent = part.of.equals(0) ? null : askedOf(boundaries, part);
    const own = decidedPercent(part.percent, rounding);
    const short = passPercent === null ? null : exact(passPercent).sub(own);
    return { id: part.id, passPercent, short, reached: short === null || short.compare(0) <= 0 };
  });
  const { compensation } = boundaries;
  const missed = asked.filter(({ reached }) => !reached);
  const compensates =
    compensation !== undefined &&
    compensation !== null &&
    percent.compare(exact(compensation.whole)) >= 0 &&
    missed.length <= compensation.sections &&
    missed.every(({ id, short }) => !firm.has(id) && short !== null && short.compare(exact(compensation.by)) <= 0);
  return {
    passed: percent.compare(exact(boundaries.passPercent)) >= 0 && (missed.length === 0 || compensates),
    parts: asked.map(({ passPercent, reached }) => ({ passPercent, reached, madeUp: !reached && compensates })),
  };
}
