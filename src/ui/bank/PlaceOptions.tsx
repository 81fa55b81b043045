import type { BankShelf, TopicOnShelf } from '@/server/bank/shelves';

/** A bank and a topic in it, as the value of an option. */
export function placeOf(value: string): { bank: string; topic: string | null } {
  const [bank = '', topic = ''] = value.split(' ');
  return { bank, topic: topic || null };
}

/** Every bank with its topics, to choose a place for questions; `whole`: a bank alone means all that is in it. */
export function PlaceOptions({ shelves, whole = false }: { shelves: readonly BankShelf[]; whole?: boolean }) {
  return shelves.map((shelf) => (
    <optgroup key={shelf.id} label={shelf.name}>
      <option value={shelf.id}>
        {shelf.name}
        {whole ? '' : ', no topic'}
      </option>
      <TopicOptions topics={shelf.topics} idFor={(topic) => `${shelf.id} ${topic}`} />
    </optgroup>
  ));
}

/** The topics of a bank as options; those below another are set in. */
export function TopicOptions({
  topics,
  idFor = (id) => id,
}: {
  topics: readonly Pick<TopicOnShelf, 'id' | 'name' | 'parent'>[];
  idFor?: (id: string) => string;
}) {
  return topics.map((topic) => (
    <option key={topic.id} value={idFor(topic.id)}>
      {topic.parent ? '– ' : ''}
      {topic.name}
    </option>
  ));
}
