import { and, eq, isNotNull, isNull, lt, or, sql } from 'drizzle-orm';
import type { Outside } from '../context';
import type { Reader, Transaction } from '../db/database';
import { sittings } from '../db/schema/exams';
import { versions } from '../db/schema/jobs';
import { keptFigures, questionFigures } from '../db/schema/results';
import { changed, type Topic, versionOf } from '../events/versions';
import { QUESTIONS } from './analysis';
import { reckoned } from './reckoned';

const topicOf = (sitting: string): Topic => `figures:${sitting}`;

/** Says, together with what changes, that the figures of a sitting are not what they were. */
export const figuresAged = (tx: Transaction, sitting: string): Promise<void> => changed(tx, topicOf(sitting));

/** Sittings whose results are out and whose figures have aged since they were kept. */
async function agedIn(read: Reader): Promise<string[]> {
  const rows = await read
    .select({ id: sittings.id })
    .from(sittings)
    .innerJoin(versions, eq(versions.topic, sql`'figures:' || ${sittings.id}`))
    .leftJoin(keptFigures, eq(keptFigures.sitting, sittings.id))
    .where(
      and(isNotNull(sittings.releasedAt), or(isNull(keptFigures.version), lt(keptFigures.version, versions.version))),
    );
  return rows.map(({ id }) => id);
}

/**
 * Keeps how each question did in the sittings whose results are out, for
 * searching and drawing; what has not aged stays. What could not be reckoned
 * is not tried again before something changes.
 */
export async function keepFigures(out: Outside): Promise<{ failed: unknown[] }> {
  const failed: unknown[] = [];
  for (const sitting of await agedIn(out.db.read)) {
    // What changes while this is reckoned is reckoned again.
    const version = await versionOf(out.db.read, topicOf(sitting));
    const figures = await figuresIn(out, sitting).catch((error: unknown) => {
      failed.push(error);
      return null;
    });
    await out.db.transaction(async (tx) => {
      if (figures) await tx.delete(questionFigures).where(eq(questionFigures.sitting, sitting));
      for (const one of figures ?? []) await tx.insert(questionFigures).values({ ...one, sitting });
      await tx
        .insert(keptFigures)
        .values({ sitting, version })
        .onConflictDoUpdate({ target: keptFigures.sitting, set: { version } });
    });
  }
  return { failed };
}

async function figuresIn(out: Outside, sitting: string) {
  const [row] = await out.db.read.select().from(sittings).where(eq(sittings.id, sitting));
  if (!row) return [];
  const { questions } = await reckoned(out, row, QUESTIONS);
  return questions.map(({ item, question, persons, facility: earned, withRest }) => ({
    item,
    question,
    persons,
    earned,
    withRest,
  }));
}
