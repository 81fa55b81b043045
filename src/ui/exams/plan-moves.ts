import { NO_FILTERS } from '../bank/sentence';
import type { Draw, ExamPlan, Placement, Section } from '@/core/exams/plan';

/** Changes of a plan at the exam desk; each gives a new plan. */

export function withItem(plan: ExamPlan, section: string, item: Placement): ExamPlan {
  return { ...plan, sections: plan.sections.map((s) => (s.id === section ? { ...s, items: [...s.items, item] } : s)) };
}

export function withoutItems(plan: ExamPlan, items: ReadonlySet<string>): ExamPlan {
  return { ...plan, sections: plan.sections.map((s) => ({ ...s, items: s.items.filter(({ id }) => !items.has(id)) })) };
}

/** Several rows changed at once. */
export function changedItems(plan: ExamPlan, items: ReadonlySet<string>, part: Partial<Placement>): ExamPlan {
  const changed = (item: Placement): Placement => (items.has(item.id) ? { ...item, ...part } : item);
  return { ...plan, sections: plan.sections.map((s) => ({ ...s, items: s.items.map(changed) })) };
}

/** Several rows at the end of one section, in the order that they had. */
export function movedItems(plan: ExamPlan, items: ReadonlySet<string>, section: string): ExamPlan {
  const moving = plan.sections.flatMap((s) => s.items).filter(({ id }) => items.has(id));
  const left = withoutItems(plan, items);
  return changedSection(left, section, (s) => ({ items: [...s.items, ...moving] }));
}

export function changedSection(plan: ExamPlan, id: string, change: (section: Section) => Partial<Section>): ExamPlan {
  return { ...plan, sections: plan.sections.map((s) => (s.id === id ? { ...s, ...change(s) } : s)) };
}

export function changedItem(plan: ExamPlan, item: string, part: Partial<Placement>): ExamPlan {
  return changedItems(plan, new Set([item]), part);
}

/** Moves an item to where another stands, or to the end of a section when `to` is a section's id. */
export function movedItem(plan: ExamPlan, item: string, to: string): ExamPlan {
  const moving = plan.sections.flatMap((s) => s.items).find((i) => i.id === item);
  if (!moving || item === to) return plan;
  const source = plan.sections.find((s) => s.items.some((i) => i.id === item));
  const target = plan.sections.find((s) => s.id === to || s.items.some((i) => i.id === to));
  if (!source || !target) return plan;
  const from = source.items.findIndex((i) => i.id === item);
  const at = target.items.findIndex((i) => i.id === to);
  return {
    ...plan,
    sections: plan.sections.map((s) => {
      const rest = s.items.filter((i) => i.id !== item);
      if (s.id !== target.id) return s.id === source.id ? { ...s, items: rest } : s;
      if (at < 0) return { ...s, items: [...rest, moving] };
      // Within one section, moving down lands behind the place it was dropped on.
      const index = rest.findIndex((i) => i.id === to) + (source.id === target.id && from < at ? 1 : 0);
      return { ...s, items: [...rest.slice(0, index), moving, ...rest.slice(index)] };
    }),
  };
}

/** With a draw at the end of a section, which takes from everything in all banks until more is said. */
export function withDraw(plan: ExamPlan, section: string, id: string): ExamPlan {
  const draw: Draw = { id, take: 3, items: [], seeks: { ...NO_FILTERS, bank: null, topic: null } };
  return { ...plan, sections: plan.sections.map((s) => (s.id === section ? { ...s, draws: [...s.draws, draw] } : s)) };
}

export function changedDraw(plan: ExamPlan, id: string, part: Partial<Draw>): ExamPlan {
  const changed = (draw: Draw): Draw => (draw.id === id ? { ...draw, ...part } : draw);
  return { ...plan, sections: plan.sections.map((s) => ({ ...s, draws: s.draws.map(changed) })) };
}

export function withoutDraw(plan: ExamPlan, id: string): ExamPlan {
  return { ...plan, sections: plan.sections.map((s) => ({ ...s, draws: s.draws.filter((one) => one.id !== id) })) };
}

export function withSection(plan: ExamPlan, id: string): ExamPlan {
  return {
    ...plan,
    sections: [
      ...plan.sections,
      { id, title: 'Section', instructions: '', items: [], draws: [], passPercent: null, shuffleQuestions: false },
    ],
  };
}

export function withoutSection(plan: ExamPlan, id: string): ExamPlan {
  return { ...plan, sections: plan.sections.filter((s) => s.id !== id) };
}
