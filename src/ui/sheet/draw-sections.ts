import type { RoomQuestion, RoomSection } from '@/server/sittings/room';
import { type DrawnFormulas, drawSheetFormulas } from './formulas';

/** A question on the paper with its formulas drawn. */
export interface DrawnQuestion extends RoomQuestion {
  drawn: DrawnFormulas;
}
export interface DrawnSection extends Omit<RoomSection, 'items'> {
  items: DrawnQuestion[];
}

/** Sections with the formulas of their questions drawn, ready for a page without a formula engine. */
export function drawSections(sections: readonly RoomSection[]): DrawnSection[] {
  return sections.map((section) => ({
    ...section,
    items: section.items.map((item) => ({ ...item, drawn: drawSheetFormulas(item.sheet) })),
  }));
}
