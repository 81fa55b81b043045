import type { PrintedQuestion, PrintedSection, PrintedVersion } from '@/server/exams/printed';
import { type DrawnFormulas, drawContentFormulas, drawSheetFormulas, drawTextFormulas } from '../sheet/formulas';

/** A question with its formulas drawn, those of its keys and its explanation too. */
export interface DrawnPrint extends PrintedQuestion {
  drawn: DrawnFormulas;
}
export interface DrawnVersion extends Omit<PrintedVersion, 'sections'> {
  sections: (Omit<PrintedSection, 'items'> & { items: DrawnPrint[] })[];
}

export function drawVersion(version: PrintedVersion): DrawnVersion {
  const drawnOf = ({ sheet, slots, explanation }: PrintedQuestion): DrawnFormulas => ({
    ...drawSheetFormulas(sheet),
    ...(explanation ? drawContentFormulas(explanation) : {}),
    ...Object.assign({}, ...slots.map(({ key }) => drawTextFormulas(key))),
  });
  const sections = version.sections.map((section) => ({
    ...section,
    items: section.items.map((item) => ({ ...item, drawn: drawnOf(item) })),
  }));
  return { ...version, sections };
}
