import type { Exact } from '../../base/exact';
import type { TraceStep } from '../marking';
import type { Met } from './counting';
import type { Doubts } from './doubts';
import { type Point, pointLabel } from './points';
import type { Token } from './reading';
import {
  inside,
  isJoined,
  type Looking,
  overlap,
  type Placement,
  placementsOf,
  type Wording,
  type Zone,
} from './wordings';
import type { PhrasePlace } from './words';

export interface PointLooking extends Looking {
  doubts: Doubts;
  /** The word that denies a place; null when none does. */
  denial: (place: PhrasePlace) => Token | null;
  /** Whether a place may earn anything: what was copied from the question does not. */
  own: Zone;
}

/** What an answer has of one point. */
export interface Looked {
  met: Met | null;
  missing: TraceStep;
  doubt: TraceStep | null;
  /** What was read for it, whether it counts or not. */
  touched: readonly PhrasePlace[];
  /** What is wrong, and denied: it may mean what is right. */
  turned?: readonly PhrasePlace[];
}

/** A point of which the answer has nothing. */
export const nothingOf = (point: Point): Looked => ({
  met: null,
  missing: { code: 'point-missing', values: { point: pointLabel(point) } },
  doubt: null,
  touched: [],
});

interface Sides {
  /** Where it is said as it is asked for. */
  asked: readonly Placement[];
  /** Where it is denied instead, or said where it had to be denied. */
  other: readonly { placement: Placement; denial: Token | null }[];
}

/** Looks for a point within a zone of an answer. */
export function lookFor(point: Point, share: Exact, looking: PointLooking, zone: Zone): Looked {
  const { doubts } = looking;
  const values = { point: pointLabel(point) };
  const free: Zone = (place) => zone(place) && looking.own(place);
  const accept = sidesOf(point, point.accept, looking, free);
  const half = sidesOf(point, point.half, looking, free);
  const full = accept.asked.length > 0;
  const asked = full ? accept.asked : half.asked;
  const other = accept.other.length > 0 ? accept.other : half.other;
  const places = asked.flat();
  const denied = other.find(({ placement }) => !places.some((hit) => placement.some((place) => overlap(hit, place))));
  const named = point.refuse
    .flatMap((wanted) => placementsOf(wanted, looking, free))
    .filter((placement) => !places.some((hit) => placement.every((place) => inside(place, hit))));
  const refused = named.filter((placement) => denialIn(placement, looking) === null).flat();
  if (refused.length > 0 && (asked.length > 0 || other.length > 0)) {
    const evidence = refused.map(({ shown }) => shown);
    return { met: null, missing: { code: 'point-refused', values, evidence }, doubt: null, touched: refused };
  }
  if (asked.length > 0) {
    const both = point.polarity === 'said' && doubts.contradiction ? denied?.denial : null;
    return {
      met: { point, earned: full ? share : share.div(2), placements: asked },
      missing: { code: 'point-missing', values },
      doubt: both ? { code: 'doubt-contradiction', values, evidence: [both.shown] } : null,
      touched: places,
    };
  }
  if (!denied) {
    const turned = refused.length === 0 ? named.flat() : [];
    return { met: null, missing: missing(point, looking, free), doubt: null, touched: named.flat(), turned };
  }
  const evidence = denied.denial ? [denied.denial.shown] : denied.placement.map(({ shown }) => shown);
  const step = { code: point.polarity === 'denied' ? 'point-not-denied' : 'point-denied', values, evidence };
  if (point.polarity === 'said' && doubts.negation === 'ignored') {
    const placements = other.map(({ placement }) => placement);
    const earned = accept.other.length > 0 ? share : share.div(2);
    return { met: { point, earned, placements }, missing: step, doubt: null, touched: placements.flat() };
  }
  const waits = doubts.negation === 'waits' && point.polarity === 'said';
  const doubt = waits ? { code: 'doubt-negation', values, evidence } : null;
  return { met: null, missing: step, doubt, touched: denied.placement };
}

const denialIn = (placement: Placement, { denial }: PointLooking): Token | null =>
  placement.map(denial).find((token) => token !== null) ?? null;

function sidesOf({ polarity }: Point, list: readonly Wording[], looking: PointLooking, free: Zone): Sides {
  const all = list
    .flatMap((wanted) => placementsOf(wanted, looking, free))
    .map((placement) => ({ placement, denial: denialIn(placement, looking) }));
  const placed = (some: typeof all): Placement[] => some.map(({ placement }) => placement);
  if (polarity === 'either') return { asked: placed(all), other: [] };
  const other = all.filter(({ denial }) => (denial === null) === (polarity === 'denied'));
  if (other.length === 0) return { asked: placed(all), other };
  if (polarity === 'denied') return { asked: placed(all.filter(({ denial }) => denial !== null)), other };
  // What is denied does not stand in the way of what is said.
  const plain: Zone = (place) => free(place) && looking.denial(place) === null;
  return { asked: list.flatMap((wanted) => placementsOf(wanted, looking, plain)), other };
}

/** What is missing; whether all of it is there, but not where it has to stand. */
function missing(point: Point, looking: PointLooking, zone: Zone): TraceStep {
  const values = { point: pointLabel(point) };
  for (const wanted of point.accept) {
    if (!isJoined(wanted) || wanted.where === 'tied' || (!wanted.ordered && wanted.within === undefined)) continue;
    const [loose] = placementsOf({ ...wanted, ordered: false, within: undefined }, looking, zone);
    if (loose) return { code: 'point-misplaced', values, evidence: loose.map(({ shown }) => shown) };
  }
  return { code: 'point-missing', values };
}
