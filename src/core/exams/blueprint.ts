import { type Exact, exact, ZERO } from '../base/exact';
import { type Finding, warns } from '../base/finding';
import { DEMANDS, type Demand } from '../bank/facts';
import { counted } from './paper';
import { type BlueprintRow, type ExamPlan, placements, shareOf } from './plan';
import { type Pool, poolQuestions } from './pool';

/** Where a question stands in a blueprint. */
export interface Asks {
  /** Id of its topic; null when it has none. */
  topic: string | null;
  demand: Demand;
}

/** Marks by topic and demand. The topic of questions without one is "". */
export type MarksThere = ReadonlyMap<string, Readonly<Record<Demand, Exact>>>;

/**
 * The marks that there are, topics × demand, without bonus: of a question that
 * is drawn, its marks times the share of papers that it is on. `asks` by
 * question; one that is missing is without a topic and asks to know.
 */
export function marksThere(plan: ExamPlan, pool: Pool, asks: ReadonlyMap<string, Asks>): MarksThere {
  const question = new Map(placements(plan).map(({ item }) => [item.id, item.question]));
  const there = new Map<string, Record<Demand, Exact>>();
  for (const item of poolQuestions(pool)) {
    const { topic, demand } = asks.get(question.get(item.id) ?? '') ?? { topic: null, demand: 'know' as const };
    const row = there.get(topic ?? '') ?? { know: ZERO, use: ZERO, judge: ZERO };
    row[demand] = row[demand].add(counted(item).mul(shareOf(plan, item.id)));
    there.set(topic ?? '', row);
  }
  return there;
}

/** How many of a blueprint's cells have other marks than are wanted. */
export function blueprintFindings(rows: readonly BlueprintRow[], there: MarksThere): Finding[] {
  const cells = rows.flatMap((row) => DEMANDS.map((demand) => [row.topic, demand, exact(row[demand])] as const));
  const off = cells.filter(([topic, demand, wanted]) => !wanted.equals(there.get(topic)?.[demand] ?? ZERO));
  return off.length === 0 ? [] : [warns('blueprint-off', ['blueprint'], { count: off.length })];
}
