import { and, eq, isNotNull } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { firstWords } from '@/core/content/plain';
import { type PaperQuestion } from '@/core/exams/paper';
import { poolQuestions } from '@/core/exams/pool';
import { type MarkingPlan, percentOf } from '@/core/marking/plan';
import { type Pace, paceOf } from '@/core/marking/progress';
import { type Context, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { marks } from '../db/schema/marks';
import { members } from '../db/schema/people';
import { inSitting } from '../people/courses';
import { participantName } from '../people/participants';
import { readDepartment } from '../people/policy';
import { COUNTS } from '../sittings/attempts';
import { poolOfSitting } from '../sittings/pinned';
import { type CurrentMark, currentMarks } from './current-marks';
import { notDueYet } from './not-due';
import { type MarkerOf, markersOf, markingPlanOf } from './plan';
import { probesIn, withProbes } from './probes';
import { secondMarksOf, secondsWanted } from './second-mark';
import { shareIn } from './share';

/** How much of something waits for people. */
export interface Waiting {
  answers: number;
  waiting: number;
}

export interface QuestionWaiting extends Waiting {
  item: string;
  number: string;
  label: string;
  /** How many of its answers shall be marked a second time, and how many were. */
  seconds: { wanted: number; given: number };
}

export interface ScriptWaiting extends Waiting {
  attempt: string;
  script: number;
  /** Null while names are hidden. */
  name: string | null;
}

/** The marking of one sitting: by question, by script and by marker. */
export interface MarkingOverview {
  sitting: string;
  title: string;
  plan: MarkingPlan;
  questions: QuestionWaiting[];
  scripts: ScriptWaiting[];
  /** How each marks; null for those who mark and do not run the sitting. */
  paces: ({ name: string } & Pace)[] | null;
  /** Who can be named in the plan; null for those who cannot change it. */
  markers: MarkerOf[] | null;
  seesAgreement: boolean;
  /** How many scripts people do not mark yet, because they are not due; null where nothing is due. */
  notDue: number | null;
}

const isPersons = ({ marks: given, by }: CurrentMark): boolean => given === null || by !== null;
const waits = (all: readonly CurrentMark[]): Waiting => ({
  answers: all.length,
  waiting: all.filter((mark) => mark.marks === null).length,
});

/** What waits in one sitting, for whoever marks there: what is theirs of it. */
export async function openMarking(ctx: Context, sitting: string): Promise<Result<MarkingOverview>> {
  const allowed = await inSitting(ctx, 'mark answers', sitting);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [row] = await read
    .select({ title: sittings.title, dueAt: sittings.dueAt })
    .from(sittings)
    .where(eq(sittings.id, sitting));
  if (!row) return NOT_FOUND;
  const people = await read
    .select({ attempt: attempts.id, script: attempts.script, name: participantName })
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), COUNTS))
    .orderBy(attempts.script);
  const scripts = new Map(people.map((one) => [one.attempt, one]));
  const share = await shareIn(ctx, sitting, false);
  const early = await notDueYet(read, sitting, ctx.now);
  // Counts must not tell which scripts were marked beforehand.
  const all = (await withProbes(ctx, await currentMarks(read, { sitting }), await probesIn(ctx, sitting)))
    .filter(isPersons)
    .filter((mark) => mark.marks !== null || !early.has(mark.attempt));
  const mine = all.filter(
    (mark) => mark.probe !== undefined || share.mine({ ...mark, script: scripts.get(mark.attempt)?.script ?? 0 }),
  );
  const items = poolQuestions(await poolOfSitting(read, sitting));
  const wanted = await secondsWanted(read, sitting, ctx.now);
  const questions: QuestionWaiting[] = [];
  for (const item of items) {
    const here = all.filter((mark) => mark.item === item.id);
    const own = mine.filter((mark) => mark.item === item.id);
    const given = await secondMarksOf(
      read,
      item.id,
      here.map(({ attempt }) => attempt),
    );
    const done = new Set(given.map(({ attempt, slot }) => `${attempt} ${slot}`));
    const open = here.filter((mark) => wanted(mark) && !done.has(`${mark.attempt} ${mark.slot}`));
    const seconds = { wanted: done.size + open.length, given: done.size };
    // Answers that are given out as they come are nobody's yet.
    const shown = share.inTurn ? here : own;
    if (shown.length === 0 && seconds.wanted === 0) continue;
    const label = firstWords(item.question.content, 60);
    questions.push({ item: item.id, number: item.number, label, ...waits(shown), seconds });
  }
  const { policy } = await readDepartment(read);
  const runs = (await inSitting(ctx, 'run sittings', sitting)).ok;
  const sees = (await inSitting(ctx, 'see results', sitting)).ok;
  const plan = await markingPlanOf(read, sitting);
  return ok({
    sitting,
    title: row.title,
    // Which scripts were marked beforehand is not for those who are to be in step with them.
    plan: runs ? plan : { ...plan, probes: [] },
    questions,
    scripts: people.flatMap(({ attempt, script, name }): ScriptWaiting[] => {
      const here = mine.filter((mark) => mark.attempt === attempt);
      return here.length === 0 ? [] : [{ attempt, script, name: policy.namesHidden ? null : name, ...waits(here) }];
    }),
    paces: sees ? await pacesOf(read, sitting, items) : null,
    markers: runs ? await markersOf(read, sitting) : null,
    seesAgreement: sees,
    notDue: row.dueAt === null ? null : early.size,
  });
}

/** How each person has marked in a sitting: every mark that they gave, by the last one of each answer. */
async function pacesOf(
  read: Reader,
  sitting: string,
  items: readonly PaperQuestion[],
): Promise<({ name: string } & Pace)[]> {
  const rows = await read
    .select({
      attempt: marks.attempt,
      item: marks.item,
      slot: marks.slot,
      marks: marks.marks,
      at: marks.at,
      by: marks.by,
      name: members.name,
    })
    .from(marks)
    .innerJoin(attempts, and(eq(attempts.id, marks.attempt), eq(attempts.sitting, sitting), COUNTS))
    .innerJoin(members, eq(members.id, marks.by))
    .where(isNotNull(marks.marks))
    .orderBy(marks.id);
  const worth = new Map(items.map((item) => [item.id, item.worth]));
  const byMarker = new Map<string, { name: string; last: Map<string, { at: number; percent: number }> }>();
  for (const { attempt, item, slot, marks: given, at, by, name } of rows) {
    const of = worth.get(item)?.get(slot);
    if (!of || given === null || by === null) continue;
    const one = byMarker.get(by) ?? { name, last: new Map<string, { at: number; percent: number }>() };
    one.last.set(`${attempt} ${item} ${slot}`, { at, percent: percentOf(given, of) });
    byMarker.set(by, one);
  }
  return [...byMarker.values()]
    .map(({ name, last }) => ({ name, ...paceOf([...last.values()]) }))
    .sort((a, b) => b.count - a.count);
}
