import { and, desc, eq, ne, sql } from 'drizzle-orm';
import { FEWEST_FOR_OTHERS } from '@/core/analysis/advice';
import { median, sum } from '@/core/analysis/numbers';
import { ok, type Result } from '@/core/base/result';
import { type Context, FORBIDDEN } from '../context';
import { questionTimes } from '../db/schema/attempts';
import { questions } from '../db/schema/bank';
import { courses } from '../db/schema/people';
import { sittings } from '../db/schema/exams';
import { visibleBanks } from '../bank/access';
import { inSitting } from '../people/courses';
import { type AnalysedQuestion, QUESTIONS } from './analysis';
import { reckoned } from './reckoned';

/** How a question did in one sitting. */
export interface LifeAt {
  sitting: string;
  title: string;
  course: string;
  at: number;
  /** Whether whoever asks may open the sitting's analysis. */
  opens: boolean;
  persons: number;
  facility: number;
  withRest: number | null;
  omitted: number;
  advice: AnalysedQuestion['advice'];
}

export interface QuestionLife {
  sittings: LifeAt[];
  /** Over all of them; null before it was met. */
  overall: {
    persons: number;
    facility: number /** Median seconds at it; null where nobody's are known. */;
    seconds: number | null;
  } | null;
}

/** So many sittings are looked at, the newest first. */
const MOST_SITTINGS = 12;

/** How a question of the bank has done in the sittings that it was in, for whoever sees it there. */
export async function lifeOfQuestion(ctx: Context, question: string): Promise<Result<QuestionLife>> {
  const { read } = ctx.db;
  const [row] = await read.select({ bank: questions.bank }).from(questions).where(eq(questions.id, question));
  if (!row || !(await visibleBanks(ctx)).some(({ id }) => id === row.bank)) return FORBIDDEN;
  const times = await read
    .select({ seconds: questionTimes.seconds })
    .from(questionTimes)
    .where(eq(questionTimes.question, question));
  const held = await read
    .select({ sitting: sittings, course: courses.code })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    // Its id stands nowhere in a plan but where it is placed.
    .where(sql`instr(${sittings.plan}, ${question}) > 0`)
    .orderBy(desc(sittings.opensAt))
    .limit(MOST_SITTINGS);
  const found: LifeAt[] = [];
  for (const { sitting, course } of held) {
    const opens = (await inSitting(ctx, 'see results', sitting.id)).ok;
    const { questions: analysed } = await reckoned(ctx, sitting, QUESTIONS);
    for (const { persons, facility, withRest, omitted, advice } of analysed.filter(
      (one) => one.question === question,
    )) {
      if (!opens && persons < FEWEST_FOR_OTHERS) continue;
      const { id, title, opensAt: at } = sitting;
      found.push({ sitting: id, title, course, at, opens, persons, facility, withRest, omitted, advice });
    }
  }
  const persons = sum(found.map((one) => one.persons));
  const seconds = times.map((one) => one.seconds);
  return ok({
    sittings: found,
    overall:
      persons === 0
        ? null
        : {
            persons,
            facility: sum(found.map((one) => one.facility * one.persons)) / persons,
            seconds: seconds.length < FEWEST_FOR_OTHERS ? null : median(seconds),
          },
  });
}

/** So many earlier sittings are asked about the questions of a new one, the newest first. */
const MOST_EARLIER = 3;

/** What share of the marks of each question earlier students earned, in other sittings than this one; of questions that nobody met before nothing. Of a sitting that is not theirs to see, whoever asks is told nothing of a few. */
export async function earnedBefore(
  ctx: Context,
  wanted: readonly string[],
  except: string,
): Promise<Map<string, number>> {
  const held = await ctx.db.read
    .select()
    .from(sittings)
    .where(
      and(
        ne(sittings.id, except),
        sql`EXISTS (SELECT 1 FROM json_each(${JSON.stringify(wanted)}) WHERE instr(${sittings.plan}, value) > 0)`,
      ),
    )
    .orderBy(desc(sittings.opensAt))
    .limit(MOST_EARLIER);
  const all = new Map<string, { persons: number; earned: number }>();
  for (const sitting of held) {
    const opens = (await inSitting(ctx, 'see results', sitting.id)).ok;
    for (const { question, persons, facility } of (await reckoned(ctx, sitting, QUESTIONS)).questions) {
      if (!opens && persons < FEWEST_FOR_OTHERS) continue;
      const so = all.get(question) ?? { persons: 0, earned: 0 };
      all.set(question, { persons: so.persons + persons, earned: so.earned + persons * facility });
    }
  }
  return new Map([...all].map(([question, { persons, earned }]) => [question, earned / persons]));
}
