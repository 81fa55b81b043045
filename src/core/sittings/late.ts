import { z } from 'zod';
import { type Exact, exact, marksText, max, min, ZERO } from '../base/exact';

/** What handing in late costs. */
export const lateRuleSchema = z.object({
  /** Minutes after the due time that cost nothing. */
  grace: z
    .number()
    .int()
    .min(0)
    .max(60 * 24 * 30),
  /** What each stretch that has begun costs: marks, or percent. */
  takes: marksText,
  of: z.enum(['marks', 'all', 'earned']),
  every: z.enum(['minute', 'hour', 'day']),
});
/**
 * What handing in late costs: `takes` marks, percent of all marks that can be
 * had, or percent of what was earned, for every minute, hour or day that has
 * begun since the due time. Within the grace nothing is late; past it, the
 * stretches count from the due time.
 */
export type LateRule = z.infer<typeof lateRuleSchema>;

/** Ten percent of all marks for each day begun (common practice, no source). */
export const USUAL_LATE_RULE: LateRule = { grace: 0, takes: '10', of: 'all', every: 'day' };

/** How late something was handed in, in milliseconds, and by which rule that costs something. */
export interface Lateness {
  rule: LateRule;
  by: number;
}

const LENGTH: Record<LateRule['every'], number> = { minute: 60_000, hour: 3_600_000, day: 86_400_000 };

/** Minutes, hours or days of the rule that have begun. */
export function lateStretches({ rule, by }: Lateness): number {
  return by <= rule.grace * 60_000 ? 0 : Math.ceil(by / LENGTH[rule.every]);
}

/**
 * Marks that lateness takes from `earned` of `of`; never more than what was
 * earned (common practice, no source; values in tests/reference).
 */
export function lateCost({ rule, by }: Lateness, { earned, of }: { earned: Exact; of: Exact }): Exact {
  const times = lateStretches({ rule, by });
  if (times === 0) return ZERO;
  const base =
    rule.of === 'marks'
      ? exact(rule.takes)
      : exact(rule.takes)
          .mul(rule.of === 'all' ? of : earned)
          .div(100);
  return max(ZERO, min(earned, base.mul(times)));
}
