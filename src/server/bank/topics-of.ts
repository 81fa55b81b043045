import { inArray } from 'drizzle-orm';
import type { Reader } from '../db/database';
import { questions, topics } from '../db/schema/bank';

/** The topics of questions, and the trees in which they stand. */
export interface TopicsOf {
  all: (typeof topics.$inferSelect)[];
  /** Of a question its topic and all above it, its own first; nothing where it has none. */
  above: (question: string) => (typeof topics.$inferSelect)[];
}

export async function topicsOf(read: Reader, asked: readonly string[]): Promise<TopicsOf> {
  const found = await read
    .select({ id: questions.id, topic: questions.topic, bank: questions.bank })
    .from(questions)
    .where(inArray(questions.id, [...new Set(asked)]));
  const all = await read
    .select()
    .from(topics)
    .where(inArray(topics.bank, [...new Set(found.map(({ bank }) => bank))]));
  const byId = new Map(all.map((topic) => [topic.id, topic]));
  const topicOf = new Map(found.map(({ id, topic }) => [id, topic]));
  return {
    all,
    above(question) {
      const chain: (typeof topics.$inferSelect)[] = [];
      for (let at = byId.get(topicOf.get(question) ?? ''); at && !chain.includes(at); at = byId.get(at.parent ?? ''))
        chain.push(at);
      return chain;
    },
  };
}
