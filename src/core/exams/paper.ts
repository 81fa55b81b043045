import { type Exact, exact, sum, ZERO } from '../base/exact';
import { seedFor } from '../base/random';
import { placedSlots, type QuestionBody } from '../bank/question';
import { totalMarks } from '../bank/summary';
import { variantOf } from '../bank/variant';
import { withWordings } from '../bank/worded';
import type { Amendment, Amendments } from './amendments';
import { type Lot, met, sectionsOf } from './lot';
import { numbersOf, sectionLetter } from './numbering';
import { type ExamPlan, type Placement, revisionKey, type Section } from './plan';

/** The revisions that a plan places, by `revisionKey`. */
export type Revisions = ReadonlyMap<string, QuestionBody>;

export interface PaperQuestion {
  id: string;
  /** The question in the bank. */
  source: string;
  /** Number on the paper, as it is written. */
  number: string;
  question: QuestionBody;
  bonus: boolean;
  /** It was taken out of the counting afterwards. */
  dropped: boolean;
  /** Everybody has its marks, whatever was answered. */
  everyone: boolean;
  marks: Exact;
  /** The marks that it counts: its own, unless that was changed afterwards. */
  counts: Exact;
  /** Exact marks of each slot by its id; they add up to `marks`. */
  worth: ReadonlyMap<string, Exact>;
  seed: number;
  /** It can earn less than nothing. */
  belowZero: boolean;
}

export interface PaperSection {
  id: string;
  /** A, B, C … */
  letter: string;
  title: string;
  instructions: string;
  passPercent: string | null;
  items: PaperQuestion[];
  /** Marks without bonus. */
  marks: Exact;
}

export interface Paper {
  sections: PaperSection[];
  marks: Exact;
}

/** What a sitting pinned when it was scheduled, and what was mended since. */
export interface Pinned {
  plan: ExamPlan;
  revisions: Revisions;
  amendments: Amendments;
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

/** A plan as it was written, before anything was mended. */
export function unmended(plan: ExamPlan, revisions: Revisions): Pinned {
  return { plan, revisions, amendments: new Map() };
}

/**
 * The paper of one attempt: the same that was pinned and the same lot give
 * the same paper on every machine; another lot may draw other questions. A
 * revision that is missing is a defect and throws.
 */
export function assemble(pinned: Pinned, lot: Lot): Paper {
  const letters = new Map(pinned.plan.sections.map(({ id }, index) => [id, sectionLetter(index)]));
  const rows = sectionsOf(pinned.plan, lot).map((section) => ({
    section,
    letter: letters.get(section.id) ?? '',
    items: met(pinned, section, lot.seed),
  }));
  const numbers = numbersOf(rows, pinned.plan.numbering);
  const sections = rows.map(({ section, letter, items }, s): PaperSection => {
    const asked = items.map((item, i) => questionAt(pinned, section, item, numbers[s]?.[i] ?? '', lot.seed));
    return { ...headOf(section, letter), items: asked, marks: sum(asked.map(counted)) };
  });
  return { sections, marks: sum(sections.map((s) => s.marks)) };
}

/** What of a section stands over its questions. */
export function headOf(section: Section, letter: string): Omit<PaperSection, 'items' | 'marks'> {
  const { id, title, instructions, passPercent } = section;
  return { id, letter, title, instructions, passPercent };
}

/** The marks of a question that count in the total. */
export function counted({ bonus, dropped, counts }: PaperQuestion): Exact {
  return bonus || dropped ? ZERO : counts;
}

/** A placed question with its number, as the seed varies it. */
export function questionAt(
  { plan, revisions, amendments }: Pinned,
  section: Pick<Section, 'marks'>,
  item: Placement,
  number: string,
  seed: number,
): PaperQuestion {
  const revision = revisions.get(revisionKey(item.question, item.revision));
  if (!revision) throw new Error(`Revision ${revisionKey(item.question, item.revision)} is not at hand`);
  const amendment = amendments.get(item.id);
  const own = seedFor(seed, item.id);
  const question = variantOf(
    amendment ? amended(revision, amendment) : revision,
    revision.vary?.each === 'everybody' ? seedFor(0, item.id) : own,
  );
  const worth = slotWorth(question, { marks: item.marks ?? section.marks ?? null });
  const marks = sum(worth.values());
  return {
    id: item.id,
    source: item.question,
    number,
    question,
    bonus: item.bonus,
    dropped: amendment?.dropped ?? false,
    everyone: amendment?.everyone ?? false,
    marks,
    counts: amendment?.marks ? exact(amendment.marks) : marks,
    worth,
    seed: own,
    belowZero: plan.belowZero,
  };
}

const kept = new WeakMap<Amendment, Map<QuestionBody, QuestionBody>>();

/** The question with the rules that were added for single answers, and the wordings that were given to points. Made once, so that what hangs on it is worked out once. */
function amended(question: QuestionBody, amendment: Amendment): QuestionBody {
  const mine = kept.get(amendment) ?? new Map<QuestionBody, QuestionBody>();
  kept.set(amendment, mine);
  const known = mine.get(question) ?? withAdded(question, amendment);
  mine.set(question, known);
  return known;
}

function withAdded(question: QuestionBody, { settled, wordings }: Amendment): QuestionBody {
  if (settled.size === 0 && wordings.length === 0) return question;
  const slots = Object.entries(question.slots).map(([id, slot]) => {
    const given = withWordings(
      slot,
      wordings.filter((one) => one.slot === id),
    );
    const added = settled.get(id);
    return [id, added ? { ...given, settled: [...added, ...(slot.settled ?? [])] } : given];
  });
  return { ...question, slots: Object.fromEntries(slots) };
}

export function paperQuestions(paper: Paper): PaperQuestion[] {
  return paper.sections.flatMap((s) => s.items);
}
