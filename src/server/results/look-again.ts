import { inArray } from 'drizzle-orm';
import { sum } from '@/core/base/exact';
import type { PaperQuestion } from '@/core/exams/paper';
import { weakTopics } from '@/core/results/look-again';
import type { SlotMarks } from '@/core/results/score';
import type { Reader } from '../db/database';
import { questions, topics } from '../db/schema/bank';

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
  const asked = await read
    .select({ id: questions.id, topic: questions.topic, bank: questions.bank })
    .from(questions)
    .where(inArray(questions.id, [...new Set(counted.map(({ source }) => source))]));
  const all = await read
    .select()
    .from(topics)
    .where(inArray(topics.bank, [...new Set(asked.map(({ bank }) => bank))]));
  const byId = new Map(all.map((topic) => [topic.id, topic]));
  const withWords = (id: string | null, steps = 0): string | null => {
    const topic = id === null ? undefined : byId.get(id);
    if (!topic || steps > byId.size) return null;
    return topic.lookAgain === '' ? withWords(topic.parent, steps + 1) : topic.id;
  };
  const topicOf = new Map(asked.map(({ id, topic }) => [id, withWords(topic)]));
  const weak = weakTopics(
    counted.flatMap((item) => {
      const topic = topicOf.get(item.source) ?? null;
      const marks = [...(given.get(item.id)?.values() ?? [])];
      const known = marks.filter((one) => one !== null);
      return topic === null || known.length < item.worth.size ? [] : [{ topic, earned: sum(known), of: item.marks }];
    }),
  );
  return weak.flatMap((id) => {
    const topic = byId.get(id);
    return topic ? [{ topic: topic.name, text: topic.lookAgain }] : [];
  });
}
