import { and, asc, eq, isNotNull } from 'drizzle-orm';
import { exact } from '@/core/base/exact';
import { amendmentsOf, type Mending } from '@/core/exams/amendments';
import { assemble } from '@/core/exams/paper';
import { boundariesSchema } from '@/core/results/policy';
import { markAnew, type MarkedAnew } from '@/core/results/mark-anew';
import { score, type Score, type SlotMarks } from '@/core/results/score';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { type AttemptRow, attemptsOf, COUNTS, currentAnswersOf } from '../sittings/attempts';
import { hintsTakenIn } from '../sittings/hints';
import { pinnedOf } from '../sittings/pinned';
import { byAttempt, currentMarks, judgementsByAttempt } from './current-marks';

/** What is marked anew, and by which rules. */
export interface AnewOrder {
  sitting: string;
  /** What is changed about which question, on top of what was mended before. */
  mendings: Mending[];
  overPersons: boolean;
  /** Attempts that are left alone; none when left out. */
  without?: readonly string[];
}

/** What it comes to for one attempt. */
export interface AttemptAnew extends MarkedAnew {
  attempt: string;
  before: Score;
  after: Score;
}

/** So many attempts are read at a time. */
const CHUNK = 50;

/** Marks the marked attempts of a sitting anew, a chunk at a time. Reads only. One that still waits for its first marks gets them by the rules that hold then. */
export async function* markAttemptsAnew(
  read: Reader,
  order: AnewOrder,
): AsyncGenerator<{ attempts: AttemptAnew[]; total: number }> {
  const before = await pinnedOf(read, order.sitting);
  const after = { ...before, amendments: amendmentsOf(order.mendings, before.amendments) };
  const [sitting] = await read
    .select({ boundaries: sittings.boundaries })
    .from(sittings)
    .where(eq(sittings.id, order.sitting));
  const policy = { boundaries: boundariesSchema.parse(sitting?.boundaries), rounding: before.plan.rounding };
  // What was handed in is as late as it was.
  const late = new Map((await attemptsOf(read, order.sitting, 0)).map((one) => [one.attempt.id, one.late]));
  const hints = await hintsTakenIn(read, { sitting: order.sitting });
  const rows = await markedOnce(read, order);
  const items = new Set(order.mendings.map(({ item }) => item));
  for (let from = 0; from < rows.length; from += CHUNK) {
    const chunk = rows.slice(from, from + CHUNK);
    const ids = chunk.map(({ id }) => id);
    const given = await currentAnswersOf(read, ids, [...items]);
    const standing = await currentMarks(read, { attempts: ids });
    const scores = byAttempt(standing);
    const judgements = judgementsByAttempt(standing);
    const place = (attempt: string, item: string, slot: string): string => `${attempt} ${item} ${slot}`;
    const marks = new Map(standing.map((m) => [place(m.attempt, m.item, m.slot), m]));
    yield {
      total: rows.length,
      attempts: chunk.map((row): AttemptAnew => {
        const paper = assemble(after, row);
        const marking = markAnew({
          paper,
          items,
          answers: given.get(row.id) ?? {},
          standing: (item, slot) => {
            const mark = marks.get(place(row.id, item, slot));
            return mark && { ...mark, byPerson: mark.by !== null };
          },
          overPersons: order.overPersons,
        });
        const was = scores.get(row.id) ?? new Map();
        const circumstances = {
          lateness: late.get(row.id),
          hints: hints.get(row.id),
          judgements: judgements.get(row.id),
        };
        return {
          attempt: row.id,
          ...marking,
          before: score(assemble(before, row), was, policy, circumstances),
          after: score(paper, withChanges(was, marking), policy, circumstances),
        };
      }),
    };
  }
}

function withChanges(was: SlotMarks, { changes }: MarkedAnew): SlotMarks {
  const now = new Map(was);
  for (const { item, slot, marks } of changes) {
    now.set(item, new Map(now.get(item) ?? []).set(slot, marks === null ? null : exact(marks)));
  }
  return now;
}

/** The attempts that an order is about: those that were marked before and are not set aside. */
export async function markedOnce(read: Reader, { sitting, without = [] }: AnewOrder): Promise<AttemptRow[]> {
  const rows = await read
    .select()
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), isNotNull(attempts.markedAt), COUNTS))
    .orderBy(asc(attempts.script));
  const left = new Set(without);
  return rows.filter(({ id }) => !left.has(id));
}
