/** A mark that a person gave: when, and what share of the marks of its slot, in percent. */
export interface MarkedAt {
  at: number;
  percent: number;
}

/** How one marks, in figures that alone prove nothing: others may have had other scripts. */
export interface Pace {
  count: number;
  /** Median of the seconds from one mark to the next, breaks left out; null with fewer than two marks. */
  seconds: number | null;
  /** Mean and standard deviation of the shares, in percent; the deviation is null with fewer than two. */
  mean: number;
  spread: number | null;
}

/** Whoever does not mark for so long has a break, in milliseconds. */
const BREAK = 10 * 60_000;

/** Pace and strictness of one marker over the marks that they gave. */
export function paceOf(marked: readonly MarkedAt[]): Pace {
  const times = marked.map(({ at }) => at).sort((a, b) => a - b);
  const gaps = times
    .slice(1)
    .map((at, i) => at - (times[i] ?? at))
    .filter((gap) => gap < BREAK)
    .sort((a, b) => a - b);
  const count = marked.length;
  const mean = count === 0 ? 0 : marked.reduce((sum, { percent }) => sum + percent, 0) / count;
  const squares = marked.reduce((sum, { percent }) => sum + (percent - mean) ** 2, 0);
  return {
    count,
    seconds: gaps.length === 0 ? null : median(gaps) / 1000,
    mean,
    spread: count < 2 ? null : Math.sqrt(squares / (count - 1)),
  };
}

/** The middle of numbers in rising order; the mean of the two in the middle of an even number. */
function median(sorted: readonly number[]): number {
  const half = Math.floor(sorted.length / 2);
  const upper = sorted[half] ?? 0;
  return sorted.length % 2 === 1 ? upper : (upper + (sorted[half - 1] ?? 0)) / 2;
}
