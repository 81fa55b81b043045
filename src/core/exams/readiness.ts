import { type Exact, exact } from '../base/exact';
import { type Finding, stops, under, warns } from '../base/finding';
import { placedSlots, type QuestionBody } from '../bank/question';
import { questionReadiness } from '../bank/readiness';
import { titleOf } from '../bank/summary';
import { kindOf } from '../kinds/registry';
import { assemble, paperItems, type Revisions } from './paper';
import type { ExamPlan } from './plan';

/** Minutes a question takes by rule of thumb: one a mark and half a minute for each slot (common practice, no source). */
export function expectedMinutes(marks: Exact, slots: number): number {
  return Math.ceil(marks.valueOf() + slots * 0.5);
}

export interface ExamReadiness {
  findings: Finding[];
  /** Questions with nothing that stops them, and how many there are. */
  ready: number;
  questions: number;
  minutes: number;
}

/**
 * What stops or weakens an exam: what its questions lack (paths start with
 * ["item", id]), marks and time, the same question twice, the right option always in one place.
 */
export function examReadiness(plan: ExamPlan, revisions: Revisions): ExamReadiness {
  const paper = assemble(
    { ...plan, sections: plan.sections.map((s) => ({ ...s, shuffleQuestions: false })) },
    revisions,
    0,
  );
  const items = paperItems(paper);
  const findings: Finding[] = [];
  let ready = items.length;
  let minutes = 0;
  const seen = new Map<string, number>();

  for (const item of items) {
    const own = questionReadiness(item.question);
    if (own.some((f) => f.weight === 'stops')) ready -= 1;
    findings.push(
      ...under(
        'item',
        under(
          item.id,
          own.map((f) => ({ ...f, values: { ...f.values, number: item.number } })),
        ),
      ),
    );
    minutes += expectedMinutes(item.marks, item.worth.size);
    const title = titleOf(item.question);
    const before = seen.get(title);
    if (before !== undefined)
      findings.push(warns('same-title', ['item', item.id], { number: item.number, other: before, title }));
    else seen.set(title, item.number);
    if (item.marks.equals(0)) findings.push(warns('marks-zero', ['item', item.id], { number: item.number }));
  }
  if (items.length === 0) findings.push(stops('exam-empty', []));
  for (const section of paper.sections) {
    if (section.items.length === 0)
      findings.push(stops('section-empty', ['section', section.id], { section: section.letter }));
  }
  if (exact(plan.passPercent).equals(0)) findings.push(warns('pass-mark-zero', ['passPercent']));
  if (items.length > 0 && minutes > plan.minutes) {
    findings.push(warns('too-little-time', ['minutes'], { expected: Math.ceil(minutes), minutes: plan.minutes }));
  }
  const place = alwaysInOnePlace(items.map((item) => item.question));
  if (place) findings.push(warns('key-always-in-one-place', [], { place: place.place, count: place.count }));
  return { findings, ready, questions: items.length, minutes };
}

/** The place (1, 2 …) that holds the key of every unshuffled choice among at least three; null when there is none. */
function alwaysInOnePlace(questions: readonly QuestionBody[]): { place: number; count: number } | null {
  const places: number[] = [];
  for (const question of questions) {
    for (const { slot } of placedSlots(question)) {
      const place = kindOf(slot.kind).marked?.fixedKeyPlace(slot.setup) ?? null;
      if (place !== null) places.push(place);
    }
  }
  const [first] = places;
  return first !== undefined && places.length >= 3 && places.every((p) => p === first)
    ? { place: first, count: places.length }
    : null;
}
