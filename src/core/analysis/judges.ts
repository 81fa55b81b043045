import { studentQuantile } from './distributions';
import { deviation, mean, median, sum } from './numbers';

/** What a panel comes to, in marks. */
export interface Panel {
  /** The cut of each judge, in the order of the judges. */
  cuts: number[];
  cut: number;
  median: number;
  /** Of the judges' cuts (n − 1), the standard error of their mean, and where that lies with 95 % by Student's t; null of a single judge. */
  spread: { deviation: number; error: number; interval: [number, number] } | null;
}

/** The mean of cuts that judges came to, in marks, and how sure it is. Null of no judge. */
export function panel(cuts: readonly number[]): Panel | null {
  if (cuts.length === 0) return null;
  const cut = mean(cuts);
  const own = deviation(cuts);
  const error = own / Math.sqrt(cuts.length);
  const reach = cuts.length > 1 ? error * studentQuantile(0.975, cuts.length - 1) : NaN;
  return {
    cuts: [...cuts],
    cut,
    median: median(cuts),
    spread: cuts.length > 1 ? { deviation: own, error, interval: [cut - reach, cut + reach] } : null,
  };
}

/**
 * Angoff (1971): each judge says of each question what marks a student would
 * earn who only just passes. A row is a judge, a column a question; the judge's
 * cut is the sum of the row. Null of no judge.
 */
export const angoff = (ratings: readonly (readonly number[])[]): Panel | null => panel(ratings.map((row) => sum(row)));

/** How judges rate each question: mean, and how far apart they are (n − 1; NaN of one judge). */
export function byQuestion(ratings: readonly (readonly number[])[]): { mean: number; deviation: number }[] {
  return (ratings[0] ?? []).map((_, i) => {
    const column = ratings.map((row) => row[i] ?? NaN);
    return { mean: mean(column), deviation: deviation(column) };
  });
}

/** A cell of Ebel's table: marks of the questions in it, and how many percent of them somebody who only just passes would earn. */
export interface EbelCell {
  marks: number;
  percent: number;
}

/** Ebel (1972): the cut, in marks, by how relevant and how hard questions are. */
export const ebel = (cells: readonly EbelCell[]): number =>
  sum(cells.map(({ marks, percent }) => (marks * percent) / 100));

/**
 * Nedelsky (1954): of each question, how many options a student who only just
 * passes would rule out; who guesses among the rest earns 1/(rest). At least
 * one option is always left.
 */
export function nedelsky(options: readonly number[], ruledOut: readonly (readonly number[])[]): Panel | null {
  return panel(ruledOut.map((row) => sum(options.map((n, i) => 1 / Math.max(1, n - (row[i] ?? 0))))));
}

export interface Bookmark {
  /** The ability at each judge's mark, in logits. */
  abilities: number[];
  /** Their mean, and what somebody of that ability is expected to earn with one mark a question. */
  ability: number;
  expected: number;
}

/**
 * Bookmark (Lewis, Mitzel and Green 1996), by the Rasch model: questions lie in
 * order of difficulty, and each judge marks the first (counted from 1) that a
 * student who only just passes has less than the asked-for chance of answering.
 * The ability is the question's difficulty + ln(p/(1 − p)).
 */
export function bookmark(difficulties: readonly number[], chance: number, marks: readonly number[]): Bookmark {
  const ordered = difficulties.toSorted((a, b) => a - b);
  const abilities = marks.map((at) => (ordered[at - 1] ?? NaN) + Math.log(chance / (1 - chance)));
  const ability = mean(abilities);
  return { abilities, ability, expected: sum(ordered.map((b) => 1 / (1 + Math.exp(b - ability)))) };
}

/** What a judge holds for bearable: the lowest and highest cut, in marks, and the smallest and largest share that fails, in percent. */
export interface Limits {
  cut: readonly [number, number];
  failing: readonly [number, number];
}

export interface Compromise {
  /** The means of the judges' limits. */
  limits: Limits;
  /** In marks. */
  cut: number;
  /** Percent that fail at the cut. */
  failing: number;
  /** Whether the curve of who fails crosses the judges' line; where it lies below or above all of it, the cut is the nearer end. */
  crosses: 'yes' | 'below' | 'above';
}

/**
 * Hofstee (1983): the cut where the curve of who would fail crosses the line
 * from (lowest cut, most failing) to (highest cut, fewest failing). The curve
 * is 100·(share of scores below c) at whole marks, and straight between them.
 * Null of no judge or no score.
 */
export function hofstee(judges: readonly Limits[], scores: readonly number[]): Compromise | null {
  if (judges.length === 0 || scores.length === 0) return null;
  const each = (pick: (l: Limits) => number): number => mean(judges.map(pick));
  const limits: Limits = {
    cut: [each((l) => l.cut[0]), each((l) => l.cut[1])],
    failing: [each((l) => l.failing[0]), each((l) => l.failing[1])],
  };
  const [from, to] = limits.cut;
  const [fewest, most] = limits.failing;
  const below = (c: number): number => (100 * scores.filter((score) => score < c).length) / scores.length;
  const curve = (c: number): number => {
    const whole = Math.floor(c);
    return below(whole) + (c - whole) * (below(whole + 1) - below(whole));
  };
  const line = (c: number): number => (to > from ? most + ((fewest - most) * (c - from)) / (to - from) : fewest);
  const over = (c: number): number => curve(c) - line(c);
  if (over(from) > 0) return { limits, cut: from, failing: curve(from), crosses: 'above' };
  if (over(to) < 0) return { limits, cut: to, failing: curve(to), crosses: 'below' };
  let [low, high] = [from, to];
  for (let step = 0; step < 100 && high - low > 1e-12; step += 1) {
    const middle = (low + high) / 2;
    if (over(middle) < 0) low = middle;
    else high = middle;
  }
  return { limits, cut: high, failing: curve(high), crosses: 'yes' };
}
