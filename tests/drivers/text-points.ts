import { KEYWORDS_BECOME_POINTS } from '@/core/rules/text/migrate';
import { pointsRule, type PointsRule } from '@/core/rules/text/points';

/** Words of which some must occur, or none, as version 1 kept them. */
export interface WordGroup {
  need: 'any' | 'all' | 'none' | number;
  words: string[];
  share: string;
  ordered?: boolean;
  within?: number;
}

/** A rule of points from groups of words, by the migration that old setups take. */
export function pointsFrom(groups: readonly WordGroup[], feedback = ''): PointsRule {
  const old = { rules: { rules: [{ when: 'keywords', groups, feedback }] } };
  const { rules } = KEYWORDS_BECOME_POINTS.up(old) as { rules: { rules: unknown[] } };
  return pointsRule.parse(rules.rules[0]);
}
