import { keyWords, placedSlots } from '@/core/bank/question';
import { stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import type { Content } from '@/core/content/document';
import { poolQuestions } from '@/core/exams/pool';
import type { Context } from '../context';
import { poolOfSitting } from '../sittings/pinned';
import type { AnalysedQuestion, Analysis } from './analysis';
import { openAnalysis } from './open-analysis';

/** All answers of a sitting, question by question, as they are printed for the staff. */
export interface Summary extends Pick<Analysis, 'sitting' | 'title' | 'persons' | 'waiting' | 'spread'> {
  questions: (Pick<AnalysedQuestion, 'item' | 'number' | 'persons' | 'facility' | 'omitted'> & {
    content: Content;
    /** The letters of its slots, by their ids. */
    letters: Record<string, string>;
    /** What everybody could earn. */
    marks: string;
    slots: (AnalysedQuestion['slots'][number] & { key: string })[];
  })[];
}

/** More answers to one slot than so many are not printed, the least frequent first. */
const MOST_PRINTED = 40;

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
      const placed = placedSlots(pooled.question);
      const keys = new Map(placed.map(({ letter, slot }) => [letter, keyWords(slot)]));
      return [
        {
          item,
          number,
          persons: met,
          facility,
          omitted,
          content: pooled.question.content,
          letters: Object.fromEntries(placed.map(({ id: slot, letter }) => [slot, letter])),
          marks: stored(pooled.marks),
          slots: slots.map((slot) => ({ ...slot, key: keys.get(slot.letter) ?? '' })),
        },
      ];
    }),
  });
}
