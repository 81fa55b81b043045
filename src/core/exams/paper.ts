import { type Exact, exact, sum, ZERO } from '../base/exact';
import { seedFor, shuffled } from '../base/random';
import { placedSlots, type QuestionBody } from '../bank/question';
import { totalMarks } from '../bank/summary';
import { variantOf } from '../bank/variant';
import type { Amendment, Amendments } from './amendments';
import { type ExamPlan, type Placement, revisionKey } from './plan';

/** The revisions that a plan places, by `revisionKey`. */
export type Revisions = ReadonlyMap<string, QuestionBody>;

export interface PaperItem {
  id: string;
  /** Number on the paper, from 1 through all sections. */
  number: number;
  question: QuestionBody;
  bonus: boolean;
  /** It was taken out of the counting afterwards. */
  dropped: boolean;
  /** Everybody has its marks, whatever was answered. */
  everyone: boolean;
  marks: Exact;
  /** Exact marks of each slot by its id; they add up to `marks`. */
  worth: ReadonlyMap<string, Exact>;
  seed: number;
}

export interface PaperSection {
  id: string;
  /** A, B, C … */
  letter: string;
  title: string;
  instructions: string;
  passPercent: string | null;
  items: PaperItem[];
  /** Marks without bonus. */
  marks: Exact;
}

export interface Paper {
  sections: PaperSection[];
  marks: Exact;
}

/** The marks of each slot of a placed question: its own, or scaled to the marks that the exam gives. */
export function slotWorth(question: QuestionBody, item: Pick<Placement, 'marks'>): Map<string, Exact> {
  const slots = placedSlots(question);
  const own = totalMarks(question);
  const wanted = item.marks === null ? own : exact(item.marks);
  return new Map(
    slots.map(({ id, slot }) => {
      if (item.marks === null) return [id, exact(slot.marks)];
      return [id, own.equals(0) ? wanted.div(slots.length) : exact(slot.marks).mul(wanted).div(own)];
    }),
  );
}

const NO_AMENDMENTS: Amendments = new Map();

/**
 * The paper of one attempt: the same plan, revisions, seed and amendments give
 * the same paper on every machine. A revision that is missing is a defect and throws.
 */
export function assemble(
  plan: ExamPlan,
  revisions: Revisions,
  seed: number,
  amendments: Amendments = NO_AMENDMENTS,
): Paper {
  let number = 0;
  const sections = plan.sections.map((section, index): PaperSection => {
    const order = section.shuffleQuestions ? shuffled(section.items, seedFor(seed, section.id)) : section.items;
    const items = order.map((item): PaperItem => {
      const pinned = revisions.get(revisionKey(item.question, item.revision));
      if (!pinned) throw new Error(`Revision ${revisionKey(item.question, item.revision)} is not at hand`);
      const amendment = amendments.get(item.id);
      const own = seedFor(seed, item.id);
      const question = variantOf(
        amendment ? amended(pinned, amendment) : pinned,
        pinned.vary?.each === 'everybody' ? seedFor(0, item.id) : own,
      );
      const worth = slotWorth(question, item);
      number += 1;
      return {
        id: item.id,
        number,
        question,
        bonus: item.bonus,
        dropped: amendment?.dropped ?? false,
        everyone: amendment?.everyone ?? false,
        marks: sum(worth.values()),
        worth,
        seed: own,
      };
    });
    return {
      id: section.id,
      letter: String.fromCharCode(65 + index),
      title: section.title,
      instructions: section.instructions,
      passPercent: section.passPercent,
      items,
      marks: sum(items.map((item) => (item.bonus || item.dropped ? ZERO : item.marks))),
    };
  });
  return { sections, marks: sum(sections.map((s) => s.marks)) };
}

const kept = new WeakMap<Amendment, Map<QuestionBody, QuestionBody>>();

/** The question with the rules that were added for single answers. Made once, so that what hangs on it is worked out once. */
function amended(question: QuestionBody, amendment: Amendment): QuestionBody {
  const mine = kept.get(amendment) ?? new Map<QuestionBody, QuestionBody>();
  kept.set(amendment, mine);
  const known = mine.get(question) ?? withSettled(question, amendment);
  mine.set(question, known);
  return known;
}

function withSettled(question: QuestionBody, { settled }: Amendment): QuestionBody {
  if (settled.size === 0) return question;
  const slots = Object.entries(question.slots).map(([id, slot]) => {
    const added = settled.get(id);
    return [id, added ? { ...slot, settled: [...added, ...(slot.settled ?? [])] } : slot];
  });
  return { ...question, slots: Object.fromEntries(slots) };
}

export function paperItems(paper: Paper): PaperItem[] {
  return paper.sections.flatMap((s) => s.items);
}
