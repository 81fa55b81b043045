import { placedSlots, rubricOf } from '@/core/bank/question';
import { type Pool, poolQuestions } from '@/core/exams/pool';
import type { Part } from '@/core/results/parts';
import { topicsOf } from '../bank/topics-of';
import type { Reader } from '../db/database';

/** Everything besides sections that a pass may ask for in a sitting: topics with what stands below them, and the criteria of rubrics. */
export async function partsIn(read: Reader, pool: Pool): Promise<Part[]> {
  return [...(await topicsIn(read, pool)), ...criteriaIn(pool)];
}

async function topicsIn(read: Reader, pool: Pool): Promise<Part[]> {
  const asked = poolQuestions(pool);
  const { all, above } = await topicsOf(
    read,
    asked.map(({ source }) => source),
  );
  return all.flatMap((topic): Part[] => {
    const items = asked.filter(({ source }) => above(source).includes(topic)).map(({ id }) => id);
    return items.length > 0 ? [{ is: 'topic', id: topic.id, title: topic.name, items }] : [];
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
