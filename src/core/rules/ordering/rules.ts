import { exact, ONE, ZERO } from '../../base/exact';
import { marked, type Marking } from '../marking';

/**
 * How marks come from an order. `place`: each that stands exactly in its place.
 * `neighbours`: each pair that follows one another as it should. `run`: the most
 * that stand in the right order among themselves, whatever stands between.
 * `whole`: everything in its place, or nothing.
 */
export const ORDER_SCHEMES = ['place', 'neighbours', 'run', 'whole'] as const;
export type OrderScheme = (typeof ORDER_SCHEMES)[number];

/** The length of the longest common subsequence (Wagner and Fischer 1974, from memory); of two orders of the same things their longest run. */
export function longestRun(key: readonly string[], given: readonly string[]): number {
  let before = new Array<number>(given.length + 1).fill(0);
  for (const wanted of key) {
    const row = [0];
    given.forEach((one, i) => {
      row.push(one === wanted ? (before[i] ?? 0) + 1 : Math.max(before[i + 1] ?? 0, row[i] ?? 0));
    });
    before = row;
  }
  return before.at(-1) ?? 0;
}

/** How many pairs of neighbours of the right order are neighbours in the given one too, each as often as it is there. */
function neighboursKept(key: readonly string[], given: readonly string[]): number {
  const pairsOf = (all: readonly string[]): string[] => all.slice(1).map((one, i) => `${all[i]} ${one}`);
  const wanted = pairsOf(key);
  return pairsOf(given).filter((pair) => {
    const at = wanted.indexOf(pair);
    if (at >= 0) wanted.splice(at, 1);
    return at >= 0;
  }).length;
}

/** How many stand right, and out of how many; what is too much counts among these. */
function orderCount(
  key: readonly string[],
  given: readonly string[],
  scheme: OrderScheme,
): { right: number; of: number } {
  const of = Math.max(key.length, given.length);
  if (scheme === 'run') return { right: longestRun(key, given), of };
  if (scheme === 'neighbours') return { right: neighboursKept(key, given), of: of - 1 };
  return { right: key.filter((one, i) => one === given[i]).length, of };
}

/** Marks an order against the right one. Both are names without a space; things with the same name stand for one another. */
export function markOrder(key: readonly string[], given: readonly string[], scheme: OrderScheme): Marking {
  const { right, of } = orderCount(key, given, scheme);
  const trace = [{ code: `order-${scheme}`, values: { right, of } }];
  if (of < 1) return marked(ZERO, trace);
  if (scheme === 'whole') return marked(right === of ? ONE : ZERO, trace);
  return marked(exact(`${right}/${of}`), trace);
}
