import { and, eq, isNotNull, sql } from 'drizzle-orm';
import { placements } from '@/core/exams/plan';
import { type MinutesTaken, secondsAtQuestions } from '@/core/exams/time-taken';
import type { Reader, Transaction } from '../db/database';
import { answers, questionTimes } from '../db/schema/attempts';
import type { AttemptRow } from '../sittings/attempts';
import { placedIn } from '../sittings/pinned';

/** Of fewer attempts nothing is reckoned. */
const LEAST_ATTEMPTS = 8;

/** The median minutes that earlier students were at each of these questions. */
export async function minutesTaken(read: Reader, questions: readonly string[]): Promise<MinutesTaken> {
  const ids = JSON.stringify([...new Set(questions)]);
  const rows = await read.all<{ question: string; seconds: number }>(sql`
    SELECT question, avg(seconds) AS seconds FROM (
      SELECT question, seconds,
        row_number() OVER (PARTITION BY question ORDER BY seconds) AS place,
        count(*) OVER (PARTITION BY question) AS attempts
      FROM ${questionTimes} WHERE question IN (SELECT value FROM json_each(${ids})))
    WHERE attempts >= ${LEAST_ATTEMPTS} AND place IN ((attempts + 1) / 2, (attempts + 2) / 2)
    GROUP BY question`);
  return new Map(rows.map(({ question, seconds }) => [question, Math.max(0.5, Math.round(seconds / 30) / 2)]));
}

/** Keeps how long an attempt that is handed in was at each question. */
export async function keepTimes(
  tx: Transaction,
  { id, sitting, startedAt }: Pick<AttemptRow, 'id' | 'sitting' | 'startedAt'>,
): Promise<void> {
  const { plan } = await placedIn(tx, sitting);
  const questionOf = new Map(placements(plan).map(({ item }) => [item.id, item.question]));
  const rows = await tx
    .select({ item: answers.item, at: answers.writtenAt })
    .from(answers)
    .where(and(eq(answers.attempt, id), isNotNull(answers.slot)));
  const changes = rows.flatMap(({ item, at }) => {
    const question = questionOf.get(item);
    return question === undefined ? [] : [{ question, at }];
  });
  await tx.delete(questionTimes).where(eq(questionTimes.attempt, id));
  const times = [...secondsAtQuestions(startedAt, changes)];
  if (times.length > 0)
    await tx.insert(questionTimes).values(times.map(([question, seconds]) => ({ attempt: id, question, seconds })));
}
