import { exact, stored } from '@/core/base/exact';
import type { Change } from '@/core/exams/amendments';
import { kindOf } from '@/core/kinds/registry';
import { responseWords } from '@/core/kinds/response';
import type { AnsweredSlot } from '@/server/marking/answers-view';
import { marksWords } from './marks';
import { outOf } from './traces';

/** A change as one sentence. */
export function changeText(change: Change, slots: readonly AnsweredSlot[]): string {
  if (change.what === 'drop') return 'The question does not count, for nobody.';
  if (change.what === 'everyone') return 'Everybody gets all its marks.';
  if (change.what === 'marks') return `The question counts ${marksWords(change.marks)}.`;
  const slot = slots.find(({ id }) => id === change.slot);
  if (change.what === 'wording') {
    const points = slot ? (kindOf(slot.kind).worded?.points(slot.setup) ?? []) : [];
    const label = points.find(({ id }) => id === change.point)?.label ?? 'a point';
    return `“${change.wording}” counts for “${label}”.`;
  }
  if (!slot) return 'An answer is decided.';
  const marks = outOf(stored(exact(change.share).mul(exact(slot.of))), slot.of);
  const answer = responseWords(kindOf(slot.kind), slot.setup, change.response) ?? '';
  return `“${answer}” earns ${marks}${slots.length > 1 ? ` in slot ${slot.letter}` : ''}.`;
}
