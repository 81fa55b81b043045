import type { RoomHints } from '@/server/sittings/hints';
import { type DrawnFormulas, drawTextFormulas } from './formulas';

/** The hints of a question, with their formulas drawn for a page without a formula engine. */
export interface DrawnHints extends RoomHints {
  drawn: DrawnFormulas;
}

export function drawHints(hints: RoomHints): DrawnHints {
  return { ...hints, drawn: drawTextFormulas(...hints.seen) };
}
