import { type Exact, exact, min, ONE, stored, sum } from '../../base/exact';
import type { TraceStep } from '../marking';
import { counted, type Met } from './counting';
import { type Point, pointLabel, pointsIn, type PointsRule } from './points';
import { type Looked, lookFor, nothingOf, type PointLooking } from './try-point';
import { inside, isJoined, overlap, phrasesIn, placementsOf, type Wording, type Zone } from './wordings';
import type { PhrasePlace } from './words';

/** What a rule of points makes of an answer. */
export interface PointsVerdict {
  /** Null when the rule does not hold. */
  share: Exact | null;
  trace: TraceStep[];
  /** Where points were met. */
  hits: PhrasePlace[];
  /** What was read for some point, whether it counts or not. */
  touched: PhrasePlace[];
  /** The points that are met, by their names, whether they count or not. */
  met: readonly string[];
  /** What makes it doubtful beyond the words beside the hits. */
  doubt: TraceStep | null;
}

const ANYWHERE: Zone = () => true;

/** Marks an answer by points. */
export function tryPoints(rule: PointsRule, asked: Omit<PointLooking, 'subjects'>): PointsVerdict {
  const prepared = preparedOf(rule, asked);
  const looking = { ...asked, subjects: prepared.subjects };
  const looked = lookAtAll(rule, prepared, looking);
  const all = [...looked.values()];
  const accepted = all.flatMap(({ met }) => met?.placements ?? []).flat();
  const refused = said(rule.refuse, looking).filter((place) => !accepted.some((hit) => inside(place, hit)));
  if (refused.length > 0) {
    const step = { code: 'points-refused', evidence: refused.map(({ shown }) => shown) };
    return { share: null, trace: [step], hits: [], touched: refused, met: [], doubt: null };
  }
  const trace: TraceStep[] = [];
  const earned: Exact[] = [];
  const wrong: PhrasePlace[] = [];
  for (const set of rule.sets) {
    const met: Met[] = [];
    for (const point of set.points) {
      const found = looked.get(point.id);
      if (found?.met && conditionHolds(point, looked)) met.push(found.met);
      else if (found?.met) trace.push({ code: 'point-only-if', values: { point: pointLabel(point) } });
      else if (found) trace.push(found.missing);
    }
    const mistakes = said(set.wrong, looking);
    wrong.push(...mistakes);
    const counting = counted(set, met, mistakes, looking.answer);
    for (const one of counting.met) {
      earned.push(one.earned);
      trace.push(...metSteps(one, prepared.shares.get(one.point.id) === one.earned));
    }
    trace.push(...counting.trace);
  }
  const total = sum(earned);
  const capped = rule.most === undefined ? total : min(exact(rule.most), total);
  const touched = [...all.flatMap((one) => one.touched), ...wrong];
  const share = earned.length > 0 && total.compare(0) > 0 ? min(ONE, capped) : null;
  return {
    share,
    trace,
    hits: distinct(accepted),
    touched: distinct(touched),
    met: all.flatMap(({ met }) => (met ? [met.point.id] : [])),
    doubt: doubtIn(all, accepted, looking),
  };
}

/** What is asked of every answer anew, once for a rule. */
interface Prepared {
  points: readonly Point[];
  shares: ReadonlyMap<string, Exact>;
  nothing: ReadonlyMap<string, Looked>;
  /** What the things are that something is said of. */
  subjects: readonly string[];
  headings: readonly string[];
  /** Which points may be met by a phrase; under "" those that may be met without any. */
  byPhrase: ReadonlyMap<string, readonly string[]>;
}
const known = new WeakMap<PointsRule, Prepared>();

function preparedOf(rule: PointsRule, { expand }: Pick<PointLooking, 'expand'>): Prepared {
  const before = known.get(rule);
  if (before) return before;
  const points = pointsIn(rule);
  const byPhrase = new Map<string, string[]>();
  for (const { id, accept, half, refuse } of points) {
    const wordings = [...accept, ...half, ...refuse];
    const bare = wordings.some((one) => typeof one !== 'string' && !isJoined(one)) ? [''] : [];
    for (const phrase of new Set([...bare, ...wordings.flatMap(phrasesIn).flatMap(expand)]))
      byPhrase.set(phrase, [...(byPhrase.get(phrase) ?? []), id]);
  }
  const prepared = {
    points,
    shares: new Map(points.map(({ id, share }) => [id, exact(share)])),
    nothing: new Map(points.map((point) => [point.id, nothingOf(point)])),
    subjects: points.flatMap(({ accept }) =>
      accept.flatMap((one) => (isJoined(one) && one.where === 'tied' ? (one.parts[0] ?? []) : [])),
    ),
    headings: points.flatMap(({ under }) => under),
    byPhrase,
  };
  known.set(rule, prepared);
  return prepared;
}

/** Looks for every point of which some phrase stands in the answer. */
function lookAtAll(rule: PointsRule, prepared: Prepared, looking: PointLooking): ReadonlyMap<string, Looked> {
  const possible = new Set(prepared.byPhrase.get('') ?? []);
  for (const phrase of looking.answer.places.keys())
    for (const id of prepared.byPhrase.get(phrase) ?? []) possible.add(id);
  const zone = headed(prepared.headings, looking);
  const looked = new Map(prepared.nothing);
  for (const point of prepared.points) {
    const share = prepared.shares.get(point.id);
    if (share && possible.has(point.id)) looked.set(point.id, lookFor(point, share, looking, zone(point)));
  }
  return looked;
}

/** Every place where one of these stands, undenied. */
function said(wordings: readonly Wording[], looking: PointLooking): PhrasePlace[] {
  return wordings
    .flatMap((one) => placementsOf(one, looking, ANYWHERE))
    .flat()
    .filter((place) => looking.denial(place) === null);
}

function doubtIn(all: readonly Looked[], accepted: readonly PhrasePlace[], { doubts }: PointLooking): TraceStep | null {
  const doubt = all.find((one) => one.doubt !== null)?.doubt;
  if (doubt) return doubt;
  if (doubts.negation !== 'waits') return null;
  // Whoever denies what is wrong may mean what is right, unless that is what another point asks for.
  const turned = all.flatMap((one) => one.turned ?? []).find((place) => !accepted.some((hit) => overlap(hit, place)));
  return turned ? { code: 'doubt-negation', evidence: [turned.shown] } : null;
}

function metSteps({ point, earned, placements: [first = []] }: Met, full: boolean): TraceStep[] {
  const values = { point: pointLabel(point), share: stored(earned) };
  const forgiven = first.filter(({ likeness }) => likeness !== 'same');
  return [
    { code: full ? 'point-met' : 'point-half', values, evidence: first.map(({ shown }) => shown) },
    ...forgiven.map(({ likeness, shown }) => ({ code: `forgiven-${likeness}`, evidence: [shown] })),
  ];
}

function distinct(hits: readonly PhrasePlace[]): PhrasePlace[] {
  return [...new Map(hits.map((hit) => [hit.from * 10_000 + hit.to, hit])).values()].sort((a, b) => a.from - b.from);
}

function conditionHolds({ onlyIf, id }: Point, looked: ReadonlyMap<string, Looked>): boolean {
  const seen = new Set([id]);
  for (let next = onlyIf; next !== null; ) {
    const found = looked.get(next)?.met;
    if (!found || seen.has(next)) return false;
    seen.add(next);
    next = found.point.onlyIf;
  }
  return true;
}

/** Where each point may be met: anywhere, or under its own headings. */
function headed(headings: readonly string[], { answer, expand }: PointLooking): (point: Point) => Zone {
  if (headings.length === 0) return () => ANYWHERE;
  const placesOf = (heading: string): readonly PhrasePlace[] =>
    expand(heading).flatMap((each) => answer.places.get(each) ?? []);
  const all = headings.flatMap(placesOf).sort((a, b) => a.from - b.from || b.to - a.to);
  return ({ under }) => {
    if (under.length === 0) return ANYWHERE;
    const own = under.flatMap(placesOf);
    return (place) => {
      const heading = all.filter(({ to }) => to <= place.from).at(-1);
      return heading !== undefined && own.some((mine) => overlap(mine, heading));
    };
  };
}
