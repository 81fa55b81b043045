import { keyWords, placedSlots } from '@/core/bank/question';
import { stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { firstWords } from '@/core/content/plain';
import { poolQuestions } from '@/core/exams/pool';
import type { Context } from '../context';
import { poolOfSitting } from '../sittings/pinned';
import { type AnalysedQuestion, type Analysis, openAnalysis } from './analysis';

/** All answers of a sitting, question by question, as they are printed for the staff. */
export interface Summary extends Pick<Analysis, 'sitting' | 'title' | 'persons' | 'waiting' | 'spread'> {
  questions: (Pick<AnalysedQuestion, 'item' | 'number' | 'persons' | 'facility' | 'omitted'> & {
    text: string;
    /** What everybody could earn. */
    marks: string;
    slots: (AnalysedQuestion['slots'][number] & { key: string })[];
  })[];
}

/** More answers to one slot than so many are not printed, the least frequent first. */
const MOST_PRINTED = 40;
/** So many signs of a question are printed. */
const MOST_TEXT = 600;

/** The summary of a sitting, for whoever sees its results. */
export async function openSummary(ctx: Context, id: string): Promise<Result<Summary>> {
  const analysis = await openAnalysis(ctx, id, MOST_PRINTED);
  if (!analysis.ok) return analysis;
  const { sitting, title, persons, waiting, spread, questions } = analysis.value;
  const items = new Map(poolQuestions(await poolOfSitting(ctx.db.read, id)).map((item) => [item.id, item]));
  return ok({
    sitting,
    title,
    persons,
    waiting,
    spread,
    questions: questions.flatMap(({ item, number, persons: met, facility, omitted, slots }) => {
      const pooled = items.get(item);
      if (!pooled) return [];
      const keys = new Map(placedSlots(pooled.question).map(({ letter, slot }) => [letter, keyWords(slot)]));
      return [
        {
          item,
          number,
          persons: met,
          facility,
          omitted,
          text: firstWords(pooled.question.content, MOST_TEXT),
          marks: stored(pooled.marks),
          slots: slots.map((slot) => ({ ...slot, key: keys.get(slot.letter) ?? '' })),
        },
      ];
    }),
  });
}
