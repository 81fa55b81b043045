import type { whoCanGetIn } from '@/core/sittings/entry';
import { plural } from './marks';
import { dayAndTime, fromNow, timeOnly } from './time';

/** What of a sitting the line tells. */
export interface DoorFacts {
  course: string;
  students: number;
  /** Only some students of the course. */
  some: boolean;
  /** Whoever has the link, too. */
  link: boolean;
  /** Each group of the course together. */
  groups: { count: number; alone: number } | null;
  code: string | null;
  /** The title of what has to be handed in before, in a row of sittings; null for nothing. */
  before: string | null;
  opensAt: number;
  closesAt: number;
  /** The department's time zone. */
  zone: string;
}

/** The one line that says who can get in now, and who cannot and why. */
export function doorText(door: ReturnType<typeof whoCanGetIn>, facts: DoorFacts, now: number): string {
  const students = facts.some
    ? `${plural(facts.students, 'chosen student')} of ${facts.course}`
    : `all ${plural(facts.students, 'student')} of ${facts.course}`;
  const alone = facts.groups?.alone ?? 0;
  const without = alone > 0 ? ` ${plural(alone, 'student is', 'students are')} in no group and cannot get in.` : '';
  const together = facts.groups && `${plural(facts.groups.count, 'group')} of ${facts.course}, each together,`;
  const everybody = facts.link ? `whoever has the link, and the students of ${facts.course}` : (together ?? students);
  const code = facts.code === null ? '' : ` with the code ${facts.code}`;
  const coded = facts.before === null ? code : `${code} once they have handed in ${facts.before}`;
  if (door.open)
    return `Open: ${everybody} can get in now${coded}, until ${timeOnly(door.until, facts.zone)}. Nobody else can.${without}`;
  switch (door.reason) {
    case 'no-students':
      return `Nobody can get in: ${facts.course} has no students.`;
    case 'no-questions':
      return 'Nobody can get in: the exam has no questions.';
    case 'ended':
      return 'Nobody can get in: you have ended it.';
    case 'not-yet':
      return `Nobody can get in yet: it opens ${dayAndTime(facts.opensAt, facts.zone)}, ${fromNow(facts.opensAt, now)}, for ${everybody}${coded}.${without}`;
    case 'by-hand':
      return `Nobody can get in yet: it opens when you say so, for ${everybody}${coded}.${without}`;
    case 'over':
      return `Nobody can get in any more: it ended ${dayAndTime(facts.closesAt, facts.zone)}.`;
  }
}
