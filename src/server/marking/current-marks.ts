import { and, eq, inArray, isNull, max, or, type SQL } from 'drizzle-orm';
import { exact } from '@/core/base/exact';
import type { SlotMarks } from '@/core/results/score';
import type { Judgement } from '@/core/rules/rubric/rubric';
import type { TraceStep } from '@/core/rules/marking';
import type { Reader } from '../db/database';
import { COUNTS } from '../sittings/attempts';
import { attempts } from '../db/schema/attempts';
import { marks, mendings } from '../db/schema/marks';

/** The mark that counts for one slot: the newest in its history. */
export interface CurrentMark {
  /** Its place in the history. */
  id: number;
  attempt: string;
  item: string;
  slot: string;
  marks: string | null;
  by: string | null;
  trace: TraceStep[];
  feedback: string;
  judgement: Judgement | null;
  at: number;
}

/** The ids of the marks that count, one for each slot that was marked. */
export function countingMarks(read: Reader, which?: SQL) {
  const applied = read.select({ id: mendings.id }).from(mendings).where(eq(mendings.state, 'applied'));
  return read
    .select({ id: max(marks.id) })
    .from(marks)
    .where(and(which, or(isNull(marks.mending), inArray(marks.mending, applied))))
    .groupBy(marks.attempt, marks.item, marks.slot);
}

/** Of a sitting, or one question of it: of what was handed in and is not set aside. */
type Which = { sitting: string; item?: string } | { attempt: string } | { attempts: readonly string[] };

function among(read: Reader, which: Which): SQL | undefined {
  if ('attempt' in which) return eq(marks.attempt, which.attempt);
  if ('attempts' in which) return inArray(marks.attempt, [...which.attempts]);
  const { sitting, item } = which;
  const counted = read
    .select({ id: attempts.id })
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), COUNTS));
  return and(inArray(marks.attempt, counted), item === undefined ? undefined : eq(marks.item, item));
}

/** What of a mark scoring needs. */
export type MarkToScore = Pick<CurrentMark, 'attempt' | 'item' | 'slot' | 'marks' | 'judgement'>;

/** The marks that count without how they came about, which is most of what is kept of them. */
export async function marksToScore(read: Reader, which: Which): Promise<MarkToScore[]> {
  const { attempt, item, slot, marks: earned, judgement } = marks;
  const rows = await read
    .select({ attempt, item, slot, marks: earned, judgement })
    .from(marks)
    .where(inArray(marks.id, countingMarks(read, among(read, which))));
  return rows.map((row) => ({ ...row, judgement: row.judgement as Judgement | null }));
}

export async function currentMarks(read: Reader, which: Which): Promise<CurrentMark[]> {
  const rows = await read
    .select()
    .from(marks)
    .where(inArray(marks.id, countingMarks(read, among(read, which))));
  return rows.map(({ mending: _, ...row }) => ({
    ...row,
    trace: row.trace as TraceStep[],
    judgement: row.judgement as Judgement | null,
  }));
}

/** Marks of each attempt in the shape that scoring takes. */
export function byAttempt(rows: readonly MarkToScore[]): Map<string, SlotMarks> {
  const all = new Map<string, Map<string, Map<string, ReturnType<typeof exact> | null>>>();
  for (const row of rows) {
    const attempt = all.get(row.attempt) ?? new Map();
    const item = attempt.get(row.item) ?? new Map();
    item.set(row.slot, row.marks === null ? null : exact(row.marks));
    attempt.set(row.item, item);
    all.set(row.attempt, attempt);
  }
  return all;
}

/** What persons found by rubrics, by attempt, item and slot. */
export function judgementsByAttempt(rows: readonly MarkToScore[]): Map<string, Map<string, Map<string, Judgement>>> {
  const all = new Map<string, Map<string, Map<string, Judgement>>>();
  for (const { attempt, item, slot, judgement } of rows) {
    if (!judgement) continue;
    const items = all.get(attempt) ?? new Map();
    all.set(attempt, items.set(item, (items.get(item) ?? new Map()).set(slot, judgement)));
  }
  return all;
}
