import type { Exact } from '../../base/exact';
import type { TraceStep } from '../marking';
import { itemsOf } from './items';
import type { Point, PointSet } from './points';
import type { Reading, Token } from './reading';
import { inside, overlap, type Placement } from './wordings';
import type { PhrasePlace } from './words';

/** A point that is met: what it earns by itself, and every place where. */
export interface Met {
  point: Point;
  earned: Exact;
  placements: readonly Placement[];
}

/** What of the points met counts: each place once where it has to, at least so many, at most so many, less what is wrong. */
export function counted(
  set: PointSet,
  met: readonly Met[],
  wrong: readonly PhrasePlace[],
  answer: Reading,
): { met: readonly Met[]; trace: TraceStep[] } {
  const apart = set.apart ? placedApart(met) : met;
  const least = set.least === 'all' ? set.points.length : set.least;
  if (apart.length === 0) return { met: [], trace: [] };
  if (apart.length < least)
    return { met: [], trace: [{ code: 'points-too-few', values: { found: apart.length, least } }] };
  if (set.most === null) return { met: apart, trace: [] };
  const first = ({ placements }: Met): number => placements[0]?.[0]?.from ?? 0;
  const sorted = [...apart].sort((a, b) =>
    set.which === 'first' ? first(a) - first(b) : b.earned.compare(a.earned) || first(a) - first(b),
  );
  const mistakes = wrong.filter(
    (place) => !apart.some((one) => one.placements.flat().some((hit) => inside(place, hit))),
  );
  const wrongItems = itemsWith(answer.tokens, mistakes);
  const surplus = itemsOf(answer).length > set.most || apart.length + wrongItems > set.most;
  const taken = surplus ? Math.min(sorted.length, wrongItems) : 0;
  const counting = Math.max(0, Math.min(set.most, sorted.length) - taken);
  const trace: TraceStep[] = [];
  if (taken > 0)
    trace.push({
      code: 'points-cancelled',
      values: { taken },
      evidence: [...new Set(mistakes.map(({ shown }) => shown))],
    });
  if (sorted.length > counting + taken) trace.push({ code: 'points-most', values: { most: set.most } });
  return { met: sorted.slice(0, counting), trace };
}

/** In how many stretches of the answer these places stand. */
function itemsWith(tokens: readonly Token[], places: readonly PhrasePlace[]): number {
  return new Set(places.map(({ from }) => tokens[from]?.segment)).size;
}

/** Those of the points met that can each have a place of their own: the scarce ones first, so that their order says nothing. */
function placedApart(met: readonly Met[]): Met[] {
  const taken: PhrasePlace[] = [];
  const key = ({ placements }: Met): string =>
    placements
      .map((one) => one.map(({ from, to }) => `${from}-${to}`).join('+'))
      .sort()
      .join(' ');
  const order = [...met].sort(
    (a, b) =>
      b.earned.compare(a.earned) ||
      a.placements.length - b.placements.length ||
      (key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : 0),
  );
  return order.flatMap((one) => {
    const free = one.placements.find((placement) =>
      placement.every((place) => !taken.some((other) => overlap(other, place))),
    );
    if (!free) return [];
    taken.push(...free);
    return [{ ...one, placements: [free, ...one.placements.filter((other) => other !== free)] }];
  });
}
