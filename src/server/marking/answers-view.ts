import { and, desc, eq } from 'drizzle-orm';
import { exact, stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { questionSheet, type QuestionSheet } from '@/core/bank/sheet';
import { keyWords, placedSlots } from '@/core/bank/question';
import { keyedSlots } from '@/core/bank/variant';
import { firstWords, plainText } from '@/core/content/plain';
import { type Change, changes } from '@/core/exams/amendments';
import { placementsMet } from '@/core/exams/lot';
import { poolQuestions, poolOf } from '@/core/exams/pool';
import type { KindName } from '@/core/kinds/names';
import { type AnswerGroup, groupAnswers } from '@/core/results/answer-groups';
import { unreadIn } from '@/core/results/unread-answers';
import type { UnreadPhrase } from '@/core/rules/text/unread';
import { type Context, NOT_FOUND } from '../context';
import { inSitting } from '../people/courses';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { mendings } from '../db/schema/marks';
import { courses, members } from '../db/schema/people';
import { COUNTS, currentAnswersOf } from '../sittings/attempts';
import { pinnedOf } from '../sittings/pinned';
import { currentMarks } from './current-marks';

export interface AnsweredSlot {
  id: string;
  letter: string;
  kind: KindName;
  /** As it was pinned, key and rules included. */
  setup: unknown;
  of: string;
  /** The key in plain words. */
  key: string;
  groups: AnswerGroup[];
  /** What was said in answers that earn less than everything, and no rule has read. */
  unread: UnreadPhrase[];
}

/** One mending in the history of a sitting. */
export interface MendingEntry {
  id: string;
  item: string;
  number: string;
  changes: Change[];
  reason: string;
  state: 'running' | 'applied' | 'cancelled' | 'taken back';
  by: string;
  at: number;
  marksChanged: number;
  scripts: number;
  /** Whether it can be taken back: only the newest of its question. */
  newest: boolean;
}

/** All that was answered to one question of a sitting, gathered. */
export interface AnswersView {
  sitting: string;
  title: string;
  course: string;
  questions: { item: string; number: string; label: string; waiting: number; dropped: boolean }[];
  item: string;
  number: string;
  marks: string;
  /** The marks that it counts in the whole. */
  counts: string;
  dropped: boolean;
  everyone: boolean;
  /** Everybody has numbers of their own; single answers cannot be decided for all. */
  varies: boolean;
  scripts: number;
  sheet: QuestionSheet;
  slots: AnsweredSlot[];
  history: MendingEntry[];
  released: boolean;
}

/** The answers to a question (the first that waits, when none is named) and what was mended so far. */
export async function openAnswers(
  ctx: Context,
  sittingId: string,
  wanted: string | null,
): Promise<Result<AnswersView>> {
  const allowed = await inSitting(ctx, 'release results', sittingId);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [row] = await read
    .select({ title: sittings.title, course: courses.code, releasedAt: sittings.releasedAt })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .where(eq(sittings.id, sittingId));
  if (!row) return NOT_FOUND;
  const pinned = await pinnedOf(read, sittingId);
  const items = poolQuestions(poolOf(pinned));
  const standing = await currentMarks(read, { sitting: sittingId });
  const waiting = (item: string): number => standing.filter((m) => m.item === item && m.marks === null).length;
  const item = items.find(({ id }) => id === wanted) ?? items.find(({ id }) => waiting(id) > 0) ?? items[0];
  if (!item) return NOT_FOUND;
  const handedIn = await read
    .select({ id: attempts.id, seed: attempts.seed, without: attempts.without })
    .from(attempts)
    .where(and(eq(attempts.sitting, sittingId), COUNTS));
  // Who did not draw the question has not left it empty.
  const scripts = handedIn.filter((lot) => placementsMet(pinned, lot).has(item.id));
  const given = await currentAnswersOf(
    read,
    scripts.map(({ id }) => id),
    [item.id],
  );
  const slots = placedSlots(item.question).map(({ id, letter, slot: placed }): AnsweredSlot => {
    const slot = keyedSlots(item.question).get(id) ?? placed;
    const marks = new Map(standing.filter((m) => m.item === item.id && m.slot === id).map((m) => [m.attempt, m]));
    const of = stored(item.worth.get(id) ?? exact(0));
    const groups = groupAnswers(
      slot,
      scripts.map(({ id: attempt }) => {
        const mark = marks.get(attempt);
        return {
          response: given.get(attempt)?.[item.id]?.[id],
          marks: mark?.marks ?? null,
          byPerson: (mark?.by ?? null) !== null,
          trace: mark?.trace ?? [],
        };
      }),
    );
    return {
      id,
      letter,
      kind: slot.kind,
      setup: slot.setup,
      of,
      key: keyWords(slot),
      groups,
      unread: item.question.vary === undefined ? unreadIn(slot, groups, of, plainText(item.question.content)) : [],
    };
  });
  const numbers = new Map(items.map(({ id, number }) => [id, number]));
  return ok({
    sitting: sittingId,
    title: row.title,
    course: row.course,
    questions: items.map(({ id, number, question, dropped }) => ({
      item: id,
      number,
      label: firstWords(question.content, 40),
      waiting: waiting(id),
      dropped,
    })),
    item: item.id,
    number: item.number,
    marks: stored(item.marks),
    counts: stored(item.counts),
    dropped: item.dropped,
    everyone: item.everyone,
    varies: item.question.vary !== undefined,
    scripts: scripts.length,
    sheet: questionSheet(item.question, null),
    slots,
    history: await historyOf(read, sittingId, numbers),
    released: row.releasedAt !== null,
  });
}

async function historyOf(read: Reader, sitting: string, numbers: ReadonlyMap<string, string>): Promise<MendingEntry[]> {
  const rows = await read
    .select({ mending: mendings, by: members.name })
    .from(mendings)
    .innerJoin(members, eq(members.id, mendings.by))
    .where(eq(mendings.sitting, sitting))
    .orderBy(desc(mendings.id));
  const seen = new Set<string>();
  return rows.map(({ mending, by }) => {
    const newest = mending.state === 'applied' && !seen.has(mending.item);
    if (mending.state === 'applied') seen.add(mending.item);
    return {
      id: mending.id,
      item: mending.item,
      number: numbers.get(mending.item) ?? '',
      changes: changes.parse(mending.changes),
      reason: mending.reason,
      state: mending.state,
      by,
      at: mending.at,
      marksChanged: mending.marksChanged,
      scripts: mending.scripts,
      newest,
    };
  });
}
