import { stored } from '@/core/base/exact';
import { markPlaced } from '@/core/exams/mark-placed';
import { paperQuestions } from '@/core/exams/paper';
import type { Transaction } from '../db/database';
import { marks } from '../db/schema/exams';
import { type AttemptRow, currentAnswers } from '../sittings/attempts';
import { paperOf } from '../sittings/pinned';

/** Marks every slot of an attempt by its rules and adds the marks, with their traces, to the history. */
export async function markAttempt(tx: Transaction, attempt: AttemptRow, at: number): Promise<void> {
  const { paper } = await paperOf(tx, attempt);
  const answers = await currentAnswers(tx, attempt.id);
  const rows = paperQuestions(paper).flatMap((item) =>
    [...markPlaced(item, answers[item.id] ?? {})].map(([slot, { marking, marks: earned }]) => ({
      attempt: attempt.id,
      item: item.id,
      slot,
      marks: earned === null ? null : stored(earned),
      trace: marking.trace,
      feedback: marking.state === 'marked' ? (marking.feedback ?? '') : '',
      remark: '',
      at,
    })),
  );
  if (rows.length > 0) await tx.insert(marks).values(rows);
}
