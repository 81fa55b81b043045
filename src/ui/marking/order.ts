import type { DeskLine } from '@/server/marking/desk-lines';
import { traceText } from '../words/traces';

/** How the answers of a desk stand in its list. */
export type Order = 'script' | 'reason' | 'unsure';

/** Why a person was called, in one line. */
export const reasonOf = ({ reason }: DeskLine): string => (reason ? traceText([reason]) : '');

/** The answers of each slot by script, those with one reason together, or those first that shall be looked at again. */
export function inOrder(lines: readonly DeskLine[], order: Order): DeskLine[] {
  const code = ({ reason }: DeskLine): string => reason?.code ?? '';
  return [...lines].sort(
    (a, b) =>
      (order === 'unsure' ? Number(b.unsure) - Number(a.unsure) : 0) ||
      a.letter.localeCompare(b.letter) ||
      (order === 'reason' ? code(a).localeCompare(code(b)) || reasonOf(a).localeCompare(reasonOf(b)) : 0) ||
      a.script - b.script,
  );
}
