import { smallLetterAt } from '../../base/letters';
import type { PlacedResponse } from './placed';

interface Thing {
  id: string;
}

/** What was put where, as it is written on a printed paper: places have numbers, what is placed has letters. "1 c · 2 a, d" */
export function writtenPlacing(things: readonly Thing[], places: readonly Thing[], { placed }: PlacedResponse): string {
  return places
    .flatMap(({ id }, i) => {
      const here = things.flatMap((thing, at) =>
        placed.some(({ item, place }) => item === thing.id && place === id) ? [smallLetterAt(at)] : [],
      );
      return here.length === 0 ? [] : [`${i + 1} ${here.join(', ')}`];
    })
    .join(' · ');
}

/** Which of these were chosen, or in which order they were put, by their letters. "c a d" */
export function writtenLetters(things: readonly Thing[], ids: readonly string[]): string {
  return ids
    .flatMap((id) => {
      const at = things.findIndex((thing) => thing.id === id);
      return at < 0 ? [] : [smallLetterAt(at)];
    })
    .join(' ');
}
