import ical, { ICalCalendarMethod, ICalEventBusyStatus } from 'ical-generator';
import type { Context } from '../context';
import { readDepartment } from '../people/policy';
import { ownSittings } from './own-sittings';

/** A sitting as a calendar shows it. */
export interface CalendarSitting {
  id: string;
  title: string;
  course: string;
  opensAt: number;
  closesAt: number;
  endedAt: number | null;
  minutes: number;
}

/**
 * Sittings as a calendar file (RFC 5545), in UTC, so that a change to summer
 * time moves nothing. An event keeps its name when its times change, so that
 * a calendar that reads the file again moves it.
 */
export function calendarFile(name: string, sittings: readonly CalendarSitting[], now: number): string {
  const calendar = ical({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'zonda', product: 'sittings' },
  });
  for (const { id, title, course, opensAt, closesAt, endedAt, minutes } of sittings)
    calendar.createEvent({
      id: `sitting-${id}@zonda`,
      stamp: new Date(now),
      start: new Date(opensAt),
      end: new Date(Math.max(opensAt, endedAt ?? closesAt)),
      summary: `${title}, ${course}`,
      description: `${minutes} minutes, to be begun in this time.`,
      busystatus: ICalEventBusyStatus.BUSY,
    });
  return calendar.toString();
}

/** The sittings of a student that are not over, as a calendar file. */
export async function ownCalendar(ctx: Context): Promise<string> {
  const { name } = await readDepartment(ctx.db.read);
  const sittings = (await ownSittings(ctx)).filter(({ closesAt, endedAt }) => (endedAt ?? closesAt) > ctx.now);
  return calendarFile(
    name,
    sittings.map((one) => ({ ...one, minutes: one.ownMinutes })),
    ctx.now,
  );
}
