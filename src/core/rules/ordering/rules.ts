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

/** The length of the longest increasing subsequence, in n log n steps (patience sorting; Fredman 1975, from memory). */
export function longestRun(places: readonly number[]): number {
  const ends: number[] = [];
  for (const place of places) {
    let low = 0;
    let high = ends.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((ends[middle] ?? 0) < place) low = middle + 1;
      else high = middle;
    }
    ends[low] = place;
  }
  return ends.length;
}

/** How many stand right, and out of how many, by a scheme. `places`: where each thing belongs (0, 1 …), in the order given. */
export function orderCount(places: readonly number[], scheme: OrderScheme): { right: number; of: number } {
  const of = places.length;
  if (scheme === 'run') return { right: longestRun(places), of };
  if (scheme === 'neighbours')
    return { right: places.filter((place, i) => i > 0 && place === (places[i - 1] ?? 0) + 1).length, of: of - 1 };
  return { right: places.filter((place, i) => place === i).length, of };
}

/** Marks an order against the right one; what is not in the right one counts for nothing. */
export function markOrder(key: readonly string[], given: readonly string[], scheme: OrderScheme): Marking {
  const place = new Map(key.map((id, i) => [id, i]));
  const places = given.map((id) => place.get(id) ?? -1).filter((at) => at >= 0);
  const { right, of } = orderCount(places, scheme);
  const trace = [{ code: `order-${scheme}`, values: { right, of } }];
  if (of < 1 || places.length !== key.length) return marked(ZERO, trace);
  if (scheme === 'whole') return marked(right === of ? ONE : ZERO, trace);
  return marked(exact(`${right}/${of}`), trace);
}
