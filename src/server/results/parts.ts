import { inArray } from 'drizzle-orm';
import { placedSlots, rubricOf } from '@/core/bank/question';
import { type Pool, poolQuestions } from '@/core/exams/pool';
import type { Part } from '@/core/results/parts';
import type { Reader } from '../db/database';
import { questions, topics } from '../db/schema/bank';

/** Everything besides sections that a pass may ask for in a sitting: topics with what stands below them, and the criteria of rubrics. */
export async function partsIn(read: Reader, pool: Pool): Promise<Part[]> {
  return [...(await topicsIn(read, pool)), ...criteriaIn(pool)];
}

async function topicsIn(read: Reader, pool: Pool): Promise<Part[]> {
  const asked = poolQuestions(pool);
  const found = await read
    .select({ id: questions.id, topic: questions.topic, bank: questions.bank })
    .from(questions)
    .where(inArray(questions.id, [...new Set(asked.map(({ source }) => source))]));
  const all = await read
    .select()
    .from(topics)
    .where(inArray(topics.bank, [...new Set(found.map(({ bank }) => bank))]));
  const byId = new Map(all.map((topic) => [topic.id, topic]));
  const topicOf = new Map(found.map(({ id, topic }) => [id, topic]));
  const items = new Map<string, string[]>();
  for (const { id, source } of asked) {
    const seen = new Set<string>();
    for (let at = topicOf.get(source) ?? null; at !== null && !seen.has(at); at = byId.get(at)?.parent ?? null) {
      seen.add(at);
      items.set(at, [...(items.get(at) ?? []), id]);
    }
  }
  return all.flatMap(({ id, name }): Part[] => {
    const own = items.get(id);
    return own ? [{ is: 'topic', id, title: name, items: own }] : [];
  });
}

function criteriaIn(pool: Pool): Part[] {
  return poolQuestions(pool).flatMap(({ id: item, number, question }) =>
    placedSlots(question).flatMap(({ id: slot, letter, slot: asked }) =>
      (rubricOf(asked)?.criteria ?? []).map(
        ({ id: criterion, title }): Part => ({
          is: 'criterion',
          id: `${item}/${slot}/${criterion}`,
          title: `${title} (question ${number}${placedSlots(question).length > 1 ? letter : ''})`,
          item,
          slot,
          criterion,
        }),
      ),
    ),
  );
}
