import type { BankShelf, TopicOnShelf } from '@/server/bank/shelves';
import type { Choice } from '../parts/ActMenu';

/** A bank and a topic in it, as the value of a choice. */
export function placeOf(value: string): { bank: string; topic: string | null } {
  const [bank = '', topic = ''] = value.split(' ');
  return { bank, topic: topic || null };
}

type Topic = Pick<TopicOnShelf, 'id' | 'name' | 'parent'>;

/** The topics of a bank; those below another are set in. */
export const topicChoices = (topics: readonly Topic[]): Choice[] =>
  topics.map(({ id, name, parent }) => ({ value: id, words: `${parent ? '– ' : ''}${name}` }));

/** Every bank with its topics, to choose a place for questions; `whole`: a bank alone means all that is in it. */
export function placeChoices(shelves: readonly BankShelf[], whole = false): Choice[] {
  return shelves.flatMap(({ id, name: under, topics }) => [
    { value: id, words: `${under}${whole ? '' : ', no topic'}`, under },
    ...topicChoices(topics).map(({ value, words }) => ({ value: `${id} ${value}`, words, under })),
  ]);
}
