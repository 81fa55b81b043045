import type { whoCanGetIn } from '@/core/sittings/entry';
import { plural } from './marks';
import { dayAndTime, fromNow, timeOnly } from './time';

interface Facts {
  course: string;
  students: number;
  opensAt: number;
  closesAt: number;
  /** The department's time zone. */
  zone: string;
}

/** The one line that says who can get in now, and who cannot and why. */
export function doorText(door: ReturnType<typeof whoCanGetIn>, facts: Facts, now: number): string {
  const everybody = `all ${plural(facts.students, 'student')} of ${facts.course}`;
  if (door.open)
    return `Open: ${everybody} can get in now, until ${timeOnly(door.until, facts.zone)}. Nobody else can.`;
  switch (door.reason) {
    case 'no-students':
      return `Nobody can get in: ${facts.course} has no students.`;
    case 'no-questions':
      return 'Nobody can get in: the exam has no questions.';
    case 'ended':
      return 'Nobody can get in: you have ended it.';
    case 'not-yet':
      return `Nobody can get in yet: it opens ${dayAndTime(facts.opensAt, facts.zone)}, ${fromNow(facts.opensAt, now)}, for ${everybody}.`;
    case 'over':
      return `Nobody can get in any more: it ended ${dayAndTime(facts.closesAt, facts.zone)}.`;
  }
}
