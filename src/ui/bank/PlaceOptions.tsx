import type { BankShelf } from '@/server/bank/shelves';
import { placeChoices, topicChoices } from './places';

/** Every bank with its topics, as options. */
export function PlaceOptions({ shelves, whole = false }: { shelves: readonly BankShelf[]; whole?: boolean }) {
  return shelves.map((shelf) => (
    <optgroup key={shelf.id} label={shelf.name}>
      {placeChoices([shelf], whole).map(({ value, words }) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </optgroup>
  ));
}

/** The topics of a bank as options. */
export function TopicOptions({ topics }: { topics: Parameters<typeof topicChoices>[0] }) {
  return topicChoices(topics).map(({ value, words }) => (
    <option key={value} value={value}>
      {words}
    </option>
  ));
}
