import { inArray } from 'drizzle-orm';
import { titleOf } from '@/core/bank/summary';
import { checkQuestion } from '@/core/bank/checks';
import { isReady } from '@/core/bank/readiness';
import { max, min, stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { type Finding, warns } from '@/core/base/finding';
import { unmended } from '@/core/exams/paper';
import { sectionLetter } from '@/core/exams/numbering';
import { isForSome } from '@/core/exams/only';
import { type ExamPlan, type Placement, revisionKey, shareOf } from '@/core/exams/plan';
import { poolQuestions, type Pool, poolOf, type PoolSection } from '@/core/exams/pool';
import { examReadiness } from '@/core/exams/readiness';
import { minutesFor } from '@/core/exams/time-taken';
import { type SectionSet, sectionSetFindings, sectionSetsOf } from '@/core/exams/section-sets';
import type { Context } from '../context';
import { visibleBanks } from '../bank/access';
import { questions } from '../db/schema/bank';
import { traitsInCourse } from '../people/traits';
import { type BlueprintThere, blueprintView } from './blueprint-view';
import { minutesTaken } from './time-taken';
import { type FilledPlan, lookAtPlan, metBefore } from './sought';

/** What the exam desk shows of a placed question. */
export interface PlacedQuestion {
  title: string;
  kinds: string;
  marks: string;
  minutes: number;
  /** The minutes are those that earlier students took, not reckoned by rule of thumb. */
  measured: boolean;
  ready: boolean;
  /** A newer revision than the one placed; null when it is the newest. */
  newer: number | null;
  /** Whether the reader may open it in its bank. */
  open: boolean;
}

export interface ExamView {
  items: Record<string, PlacedQuestion>;
  sections: Record<string, { marks: string; minutes: number }>;
  /** The least and the most that a paper is worth, without bonus. */
  least: string;
  marks: string;
  minutes: number;
  ready: number;
  questions: number;
  findings: Finding[];
  /** How many questions each draw that seeks finds now. */
  found: Record<string, number>;
  /** The marks that there are, topics × demand. */
  there: BlueprintThere[];
  /** Who of the course has which sections; empty where all have all, or the course is not the reader's. */
  sets: { without: string[]; people: number; marks: string }[];
}

/** A plan with everything that follows from it. */
export async function examView(ctx: Context, raw: unknown): Promise<Result<ExamView>> {
  const looked = await lookAtPlan(ctx, raw);
  if (!looked.ok) return looked;
  const { plan, filled, course, exam } = looked.value;
  const { revisions, sought } = filled;
  const pinned = unmended(filled.plan, revisions);
  const pool = poolOf(pinned);
  const placed = plan.sections.flatMap((s) => s.items);
  const heads = await ctx.db.read
    .select({ id: questions.id, revision: questions.revision, bank: questions.bank, kinds: questions.kinds })
    .from(questions)
    .where(
      inArray(
        questions.id,
        placed.map((p) => p.question),
      ),
    );
  const banks = new Set((await visibleBanks(ctx)).map(({ id }) => id));
  const taken = await minutesTaken(
    ctx.db.read,
    poolQuestions(pool).map(({ source }) => source),
  );
  const items: ExamView['items'] = {};
  for (const item of poolQuestions(pool)) {
    const place = placed.find((p) => p.id === item.id);
    const head = heads.find((h) => h.id === place?.question);
    const body = place && revisions.get(revisionKey(place.question, place.revision));
    if (!place || !body) continue;
    items[item.id] = {
      title: titleOf(body),
      kinds: head?.kinds ?? '',
      marks: stored(item.marks),
      measured: taken.has(item.source),
      minutes: minutesFor(item, taken),
      ready: isReady(checkQuestion(body).findings),
      open: head !== undefined && banks.has(head.bank),
      newer: head && head.revision > place.revision ? head.revision : null,
    };
  }
  const { findings, ready, minutes } = examReadiness(pinned, taken);
  const minutesOf = (section: PoolSection): number =>
    section.items.reduce((all, item) => all + minutesFor(item, taken) * shareOf(filled.plan, item.id).valueOf(), 0);
  const seeking = plan.sections.flatMap(({ draws }) => draws.filter(({ seeks }) => seeks));
  const drawn = seeking.reduce((n, { take }) => n + take, 0);
  const met = new Set(await metBefore(ctx, { exam, course }));
  const { there, findings: unmet } = await blueprintView(ctx.db.read, filled.plan, pool);
  const some = isForSome(plan) && course !== null;
  const sets = some ? sectionSetsOf(pinned, [...(await traitsInCourse(ctx.db.read, course)).values()]) : [];
  return ok({
    items,
    sections: Object.fromEntries(
      pool.sections.map((s) => [s.id, { marks: stored(s.most), minutes: Math.ceil(minutesOf(s)) }]),
    ),
    ...marksRange(pool, sets),
    minutes,
    ready: ready - sought.size + seeking.reduce((n, { id, take }) => n + Math.min(take, filled.found[id] ?? 0), 0),
    questions: placed.length + drawn,
    // Whatever a draw finds is ready; what else would help is said at the question.
    findings: [
      ...findings.filter(({ at }) => !sought.has(String(at[1]))),
      ...unequalDraws(plan, filled),
      ...metFindings(placed, pool, met),
      ...sectionSetFindings(pinned, sets),
      ...unmet,
    ],
    found: filled.found,
    there,
    sets: sets.map(({ without, people, most }) => ({ without, people, marks: stored(most) })),
  });
}

/** What papers are worth: those of the course, when its people are known, else any. */
function marksRange({ least, most }: Pool, sets: readonly SectionSet[]): Pick<ExamView, 'least' | 'marks'> {
  const writing = sets.filter((set) => set.most.compare(0) > 0);
  return {
    least: stored(writing.map((set) => set.least).reduce((a, b) => min(a, b), writing[0]?.least ?? least)),
    marks: stored(writing.map((set) => set.most).reduce((a, b) => max(a, b), writing[0]?.most ?? most)),
  };
}

/** So many questions are named in a finding. */
const MOST_NAMED = 8;

/** Questions that the course has met in a sitting before, and that are placed all the same. */
function metFindings(placed: readonly Placement[], pool: Pool, met: ReadonlySet<string>): Finding[] {
  const again = new Set(placed.filter(({ question }) => met.has(question)).map(({ id }) => id));
  const numbers = poolQuestions(pool).flatMap(({ id, number }) => (again.has(id) ? [number] : []));
  const [first] = again;
  const named = numbers.slice(0, MOST_NAMED).join(', ');
  return first === undefined
    ? []
    : [
        warns('met-before', ['item', first], {
          count: numbers.length,
          numbers: numbers.length > MOST_NAMED ? `${named} and ${numbers.length - MOST_NAMED} more` : named,
        }),
      ];
}

/** Draws from which some would get harder papers than others. */
function unequalDraws({ sections }: ExamPlan, { unequal, found }: FilledPlan): Finding[] {
  return sections.flatMap(({ id, draws }, i) =>
    draws
      .filter((draw) => unequal.has(draw.id) && (found[draw.id] ?? 0) > draw.take)
      .map((draw) =>
        warns('draw-difficulty-differs', ['section', id, 'draws', draw.id], {
          section: sectionLetter(i),
          take: draw.take,
          of: found[draw.id] ?? 0,
        }),
      ),
  );
}
