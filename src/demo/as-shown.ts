import { ownResponses } from '@/core/bank/own-names';
import { paperQuestions } from '@/core/exams/paper';
import { kindOf } from '@/core/kinds/registry';
import { storedResponse } from '@/core/kinds/response';
import type { Reader } from '@/server/db/database';
import { attemptRow } from '@/server/sittings/attempts';
import { ownNames } from '@/server/sittings/own-names';
import { paperOf } from '@/server/sittings/pinned';

/** Answers as a student gives them, in the names of their own sheet, from answers in the author's. */
export async function asShown<E extends { item: string; slot: string | null; value: unknown }>(
  read: Reader,
  id: string,
  entries: readonly E[],
): Promise<E[]> {
  const attempt = await attemptRow(read, id);
  const { paper } = await paperOf(read, attempt);
  return entries.map((entry) => {
    const question = paperQuestions(paper).find((item) => item.id === entry.item)?.question;
    const slot = question?.slots[entry.slot ?? ''];
    if (!question || !slot || entry.slot === null) return entry;
    const shown = ownResponses(question, { [entry.slot]: entry.value }, ownNames(attempt.secret, entry.item));
    return { ...entry, value: storedResponse(kindOf(slot.kind), shown[entry.slot] ?? entry.value) };
  });
}
