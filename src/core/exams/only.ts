import type { ExamPlan, Only } from './plan';

/** What of a participant decides which sections are theirs; of a group, what any of its members has. */
export interface Traits {
  subjects: readonly string[];
  /** Ids of groups and members. */
  groups: readonly string[];
  members: readonly string[];
}

/** Traits of whom nothing is known, as of a guest. */
export const NO_TRAITS: Traits = { subjects: [], groups: [], members: [] };

/** Subjects are the same however they are written. */
const plain = (subject: string): string => subject.trim().toLowerCase();

/** Whether something that is for some students only is for this participant. */
export function isFor(only: Only, who: Traits): boolean {
  const subjects = new Set(who.subjects.map(plain));
  return (
    only.subjects.some((subject) => subjects.has(plain(subject))) ||
    only.groups.some((group) => who.groups.includes(group)) ||
    only.members.some((member) => who.members.includes(member))
  );
}

/** Whether nobody can be meant: no subject, no group and no name is said. */
export function namesNobody({ subjects, groups, members }: Only): boolean {
  return subjects.length + groups.length + members.length === 0;
}

/** Ids of the sections of a plan that are not for this participant. */
export function sectionsWithout(plan: ExamPlan, who: Traits): string[] {
  return plan.sections.filter(({ only }) => only && !isFor(only, who)).map(({ id }) => id);
}

/** Whether a plan has sections that are for some students only. */
export function isForSome(plan: ExamPlan): boolean {
  return plan.sections.some(({ only }) => only);
}
