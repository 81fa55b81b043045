import type { LateRule } from '@/core/sittings/late';
import { marksText, marksWords, plural } from './marks';
import { dayAndTime } from './time';

/** What handing in late costs, as the student reads it beforehand. */
export function lateText(rule: LateRule | null, dueAt: number, zone?: string): string {
  const due = `Due ${dayAndTime(dueAt, zone)}`;
  if (!rule) return `${due}.`;
  const takes =
    rule.of === 'marks'
      ? marksWords(rule.takes)
      : `${marksText(rule.takes)} % of ${rule.of === 'all' ? 'all marks' : 'what was earned'}`;
  const grace = rule.grace > 0 ? `; ${plural(rule.grace, 'minute costs', 'minutes cost')} nothing` : '';
  return `${due}. Later, each ${rule.every} begun costs ${takes}${grace}.`;
}

/** How late something was: "12 min", "3 h 5 min", "2 days". */
export function lateBy(ms: number): string {
  const minutes = Math.ceil(ms / 60_000);
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 48) return minutes % 60 === 0 ? `${hours} h` : `${hours} h ${minutes % 60} min`;
  return plural(Math.floor(hours / 24), 'day');
}

/** What lateness took: exact marks as text. */
export const lateTook = (cost: string): string => `− ${marksWords(cost)}`;
