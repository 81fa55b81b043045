import { exact } from '../base/exact';
import { type Finding, stops, under, warns } from '../base/finding';
import { placedSlots, type QuestionBody } from '../bank/question';
import { questionReadiness } from '../bank/readiness';
import { titleOf } from '../bank/summary';
import { kindOf } from '../kinds/registry';
import { seenAt, seesAnything } from './sees';
import { sectionLetter } from './numbering';
import { namesNobody } from './only';
import type { PaperQuestion, Pinned } from './paper';
import { type ExamPlan, paperLength, type Section, shareOf } from './plan';
import { poolQuestions, poolOf } from './pool';
import { minutesFor, type MinutesTaken, NONE_TAKEN } from './time-taken';

export interface ExamReadiness {
  findings: Finding[];
  /** Questions with nothing that stops them, and how many there are. */
  ready: number;
  questions: number;
  minutes: number;
}

/**
 * What stops or weakens an exam: what its questions lack (paths start with
 * ["item", id]), marks and time (`taken`: as earlier students took), the same question twice, the right option always in one place.
 */
export function examReadiness(pinned: Pinned, taken: MinutesTaken = NONE_TAKEN): ExamReadiness {
  const { plan } = pinned;
  const pool = poolOf(pinned);
  const items = poolQuestions(pool);
  const findings: Finding[] = [];
  let ready = items.length;
  let minutes = 0;
  const seen = new Map<string, string>();

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
    minutes += minutesFor(item, taken) * shareOf(plan, item.id).valueOf();
    const title = titleOf(item.question);
    const before = seen.get(title);
    if (before !== undefined)
      findings.push(warns('same-title', ['item', item.id], { number: item.number, other: before, title }));
    else seen.set(title, item.number);
    if (item.marks.equals(0)) findings.push(warns('marks-zero', ['item', item.id], { number: item.number }));
  }
  if (items.length === 0) findings.push(stops('exam-empty', []));
  findings.push(...drawFindings(plan, items));
  for (const section of pool.sections) {
    const { only } = plan.sections.find(({ id }) => id === section.id) ?? {};
    if (only && namesNobody(only))
      findings.push(stops('section-for-nobody', ['section', section.id], { section: section.letter }));
    if (section.items.length === 0)
      findings.push(stops('section-empty', ['section', section.id], { section: section.letter }));
  }
  if (plan.practice && !seesAnything(seenAt(plan.sees, 'at once')) && !plan.practice.key)
    findings.push(warns('check-tells-nothing', ['sees']));
  for (const aspect of ['key', 'explanation'] as const)
    if (plan.sees[aspect] === 'handed in' || plan.sees[aspect] === 'at once')
      findings.push(warns('seen-early', ['sees', aspect], { aspect }));
  if (exact(plan.passPercent).equals(0)) findings.push(warns('pass-mark-zero', ['passPercent']));
  if (items.length > 0 && minutes > plan.minutes) {
    findings.push(warns('too-little-time', ['minutes'], { expected: Math.ceil(minutes), minutes: plan.minutes }));
  }
  const timed = Math.ceil(plan.sections.reduce((all, one) => all + ownMinutes(plan, one), 0));
  if (timed > plan.minutes)
    findings.push(warns('sections-longer', ['minutes'], { sections: timed, minutes: plan.minutes }));
  const place = alwaysInOnePlace(items.map((item) => item.question));
  if (place) findings.push(warns('key-always-in-one-place', [], { place: place.place, count: place.count }));
  return { findings, ready, questions: items.length, minutes: Math.ceil(minutes) };
}

/** Minutes after which a section ends by its own time, or by that of its questions; 0 where it has none. */
function ownMinutes(plan: ExamPlan, section: Section): number {
  const { minutes, secondsEach } = section;
  const byQuestions = secondsEach && (secondsEach * paperLength({ ...plan, sections: [section] })) / 60;
  return Math.min(minutes ?? Infinity, byQuestions ?? minutes ?? 0);
}

/** Draws that take more than there is, or from questions that are not worth the same. */
function drawFindings(plan: ExamPlan, items: readonly PaperQuestion[]): Finding[] {
  const findings: Finding[] = [];
  plan.sections.forEach((section, index) => {
    for (const { id, take, items: from } of section.draws) {
      const mine = new Set(section.items.map((item) => item.id));
      const there = items.filter((item) => from.includes(item.id) && mine.has(item.id));
      const values = { section: sectionLetter(index), take, of: there.length };
      if (there.length < take) findings.push(stops('draw-too-few', ['section', section.id, 'draws', id], values));
      else if (there.some((item) => !item.marks.equals(there[0]?.marks ?? item.marks)))
        findings.push(warns('draw-marks-differ', ['section', section.id, 'draws', id], values));
    }
  });
  return findings;
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
