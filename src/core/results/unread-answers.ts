import type { Slot } from '../bank/question';
import { kindOf } from '../kinds/registry';
import type { UnreadPhrase } from '../rules/text/unread';
import type { AnswerGroup } from './answer-groups';

/** What the answers of a class say that no rule has read; nothing where the kind has no points in words. `of`: the marks of the slot. */
export function unreadIn(slot: Slot, groups: readonly AnswerGroup[], of: string, asked: string): UnreadPhrase[] {
  const { worded } = kindOf(slot.kind);
  if (!worded || worded.points(slot.setup).length === 0) return [];
  const answers = groups
    .filter(({ answer }) => answer !== '')
    .map(({ response, count, marks, byPerson }) => {
      const known = marks.length === 1 ? marks[0] : null;
      return {
        response,
        count,
        // What a person gave everything although the rules did not is worth learning from.
        full: byPerson === 0 && marks.length > 0 && marks.every((mark) => mark === of),
        given: known && known !== '0' ? byPerson : 0,
        refused: known === '0' ? byPerson : 0,
      };
    });
  return [...worded.unread(slot.setup, answers, asked)];
}
