import { sum } from '@/core/base/exact';
import type { PaperQuestion } from '@/core/exams/paper';
import { weakTopics } from '@/core/results/look-again';
import type { SlotMarks } from '@/core/results/score';
import { topicsOf } from '../bank/topics-of';
import type { Reader } from '../db/database';

/** What to look at again, in the words that the teachers gave for a topic. */
export interface LookAgain {
  topic: string;
  text: string;
}

/**
 * The topics that went badly on a paper, as far as there is something to look at: a topic without words of its own is part
 * of the one above it. Questions that wait for a person, or do not count, say nothing.
 */
export async function lookAgain(read: Reader, paper: readonly PaperQuestion[], given: SlotMarks): Promise<LookAgain[]> {
  const counted = paper.filter(({ dropped, bonus }) => !dropped && !bonus);
  const { all, above } = await topicsOf(
    read,
    counted.map(({ source }) => source),
  );
  const weak = weakTopics(
    counted.flatMap((item) => {
      const topic = above(item.source).find((one) => one.lookAgain !== '')?.id ?? null;
      const marks = [...(given.get(item.id)?.values() ?? [])];
      const known = marks.filter((one) => one !== null);
      return topic === null || known.length < item.worth.size ? [] : [{ topic, earned: sum(known), of: item.marks }];
    }),
  );
  return weak.flatMap((id) => {
    const topic = all.find((one) => one.id === id);
    return topic ? [{ topic: topic.name, text: topic.lookAgain }] : [];
  });
}
