import { exact, stored } from '../../base/exact';
import { pointOf, pointsIn, type PointsRule } from './points';

/** A name for a point that none of the rule has. */
export function freshPointId(rule: Pick<PointsRule, 'sets'>): string {
  const taken = new Set(rule.sets.flatMap(({ points }) => points.map(({ id }) => id)));
  let number = taken.size + 1;
  while (taken.has(`p${number}`)) number++;
  return `p${number}`;
}

/** The rule with one more point in a set. While all of them earn alike, they go on doing so: together they earn the marks. */
export function withPoint(rule: PointsRule, set: number): PointsRule {
  const all = pointsIn(rule);
  const alike = all.every(({ share }) => share === all[0]?.share);
  const share = alike ? stored(exact(`1/${all.length + 1}`)) : '1/2';
  const fresh = pointOf(freshPointId(rule), [], share);
  return {
    ...rule,
    sets: rule.sets.map((one, i) => {
      const points = alike ? one.points.map((point) => ({ ...point, share })) : one.points;
      return { ...one, points: i === set ? [...points, fresh] : points };
    }),
  };
}
