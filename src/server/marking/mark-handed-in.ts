import { and, eq, gte, isNotNull, isNull } from 'drizzle-orm';
import type { Outside } from '../context';
import type { Transaction } from '../db/database';
import { answersNow, attempts } from '../db/schema/attempts';
import { versionOf } from '../events/versions';
import type { AttemptRow } from '../sittings/attempts';
import { keepTimes } from '../exams/time-taken';
import { hearBeforeMarking } from '../sittings/heard';
import { type CurrentMark, currentMarks } from './current-marks';
import { insertMarks } from './keep-marks';

/** What this process is at, on the global object, because the framework may load this module more than once in one process. */
const KEY = Symbol.for('zonda.marking');
const holder = globalThis as { [KEY]?: Map<string, Promise<void>> };
const running = (holder[KEY] ??= new Map());

/** Gives a handed-in attempt its marks by the rules, once each time it is handed in. */
export function markHandedIn(out: Outside, attempt: AttemptRow): Promise<void> {
  const mine = running.get(attempt.id) ?? markOnce(out, attempt).finally(() => running.delete(attempt.id));
  running.set(attempt.id, mine);
  return mine;
}

async function markOnce(out: Outside, attempt: AttemptRow): Promise<void> {
  const { id, sitting, seed, without, reopenedAt } = attempt;
  await hearBeforeMarking(out, attempt);
  for (;;) {
    const { version, marks: found } = await out.marker.mark({ database: out.db.url, id, sitting, seed, without });
    const kept = await out.db.transaction(async (tx) => {
      // What was mended meanwhile holds for these marks too.
      if ((await versionOf(tx, `sitting:${sitting}`)) !== version) return false;
      const first = await tx
        .update(attempts)
        .set({ markedAt: out.now })
        .where(
          and(
            eq(attempts.id, id),
            isNull(attempts.markedAt),
            isNotNull(attempts.handedInAt),
            // Whoever was let back in meanwhile may have written anew: what was marked here is of before.
            reopenedAt === null ? isNull(attempts.reopenedAt) : eq(attempts.reopenedAt, reopenedAt),
          ),
        )
        .returning({ id: attempts.id });
      // Another process may have been faster.
      if (first.length > 0) {
        await keepTimes(tx, attempt);
        const kept = await givenByPersons(tx, { id, reopenedAt });
        const mine = found.filter((mark) => !kept.has(placeOf(mark)));
        await insertMarks(
          tx,
          mine.map((mark) => ({ ...mark, attempt: id, at: out.now })),
        );
      }
      return true;
    });
    if (kept) return;
  }
}

const placeOf = ({ item, slot }: Pick<CurrentMark, 'item' | 'slot'>): string => `${item} ${slot}`;

/** The places of an attempt that was marked before where a person's mark stays: what was answered there has not changed since. */
async function givenByPersons(
  tx: Transaction,
  { id, reopenedAt }: Pick<AttemptRow, 'id' | 'reopenedAt'>,
): Promise<Set<string>> {
  const given = (await currentMarks(tx, { attempt: id })).filter(({ by }) => by !== null);
  if (given.length === 0) return new Set();
  const rewritten = await tx
    .select({ item: answersNow.item, slot: answersNow.slot })
    .from(answersNow)
    .where(and(eq(answersNow.attempt, id), gte(answersNow.writtenAt, reopenedAt ?? 0)));
  const changed = new Set(reopenedAt === null ? [] : rewritten.map(placeOf));
  return new Set(given.map(placeOf).filter((place) => !changed.has(place)));
}

/** Marks what was handed in and has no marks yet. One attempt that cannot be marked holds up no other. */
export async function markWaiting(out: Outside): Promise<{ failed: unknown[] }> {
  const waiting = await out.db.read
    .select()
    .from(attempts)
    .where(and(isNull(attempts.markedAt), isNotNull(attempts.handedInAt)));
  const failed: unknown[] = [];
  for (const attempt of waiting) await markHandedIn(out, attempt).catch((error: unknown) => failed.push(error));
  return { failed };
}
