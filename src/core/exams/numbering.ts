import { letterAt, smallLetterAt } from '../base/letters';
import type { Placement } from './plan';

/** How the questions of a paper are numbered: through all sections, anew in each, or anew behind the section's letter. */
export const PAPER_NUMBERINGS = ['through', 'anew', 'lettered'] as const;
export type PaperNumbering = (typeof PAPER_NUMBERINGS)[number];

/** A, B, C … for the sections of a plan, by their place in it from 0. */
export const sectionLetter = letterAt;

/** A question as far as its number is concerned. */
export type Numbered = Pick<Placement, 'number' | 'part'>;

/**
 * The numbers of the questions of a paper, as they are written. A number of
 * its own is written as it is; when it is a whole number, the count goes on from
 * there, else the question is not counted. A question with parts below it is
 * its own first part: 4a, 4b.
 */
export function numbersOf(
  sections: readonly { letter: string; items: readonly Numbered[] }[],
  style: PaperNumbering,
): string[][] {
  let count = 0;
  return sections.map(({ letter, items }) => {
    if (style !== 'through') count = 0;
    const numbers: string[] = [];
    let head = '';
    let part = 0;
    items.forEach((item, i) => {
      part = item.part && i > 0 ? part + 1 : 0;
      if (part === 0) {
        const own = item.number ?? '';
        count = own === '' ? count + 1 : /^\d{1,6}$/.test(own) ? Number(own) : count;
        head = own === '' ? `${style === 'lettered' ? letter : ''}${count}` : own;
      }
      const hasParts = items[i + 1]?.part === true;
      numbers.push(part > 0 || hasParts ? `${head}${smallLetterAt(part)}` : head);
    });
    return numbers;
  });
}
