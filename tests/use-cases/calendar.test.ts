import ICAL from 'ical.js';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { NO_PROVISION } from '@/core/people/provision';
import { setProvision } from '@/server/people/provisions';
import { calendarFile, ownCalendar } from '@/server/sittings/calendar';
import { endSitting } from '@/server/sittings/change-sitting';
import { MINUTE, TestDepartment } from '../drivers/department';

/** Calendar files (RFC 5545), read back by another library than the one that writes them. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const read = (file: string) =>
  new ICAL.Component(ICAL.parse(file) as unknown[])
    .getAllSubcomponents('vevent')
    .map((event) => new ICAL.Event(event))
    .map((event) => ({
      uid: event.uid,
      summary: event.summary,
      description: event.description,
      start: event.startDate.toJSDate().getTime(),
      end: event.endDate.toJSDate().getTime(),
    }));

it('has what a student is to sit, with their own minutes, and nothing that is over', async () => {
  const { sitting } = await dept.sitting(1);
  const { sitting: over } = await dept.sitting(1);
  must(await endSitting(dept.as('teacher'), over));
  must(await setProvision(dept.as('teacher'), { ...NO_PROVISION, member: dept.id('ada'), extraTimePercent: 50 }));
  expect(read(await ownCalendar(dept.as('ada')))).toEqual([
    {
      uid: `sitting-${sitting}@zonda`,
      summary: 'Test exam, WT-1',
      description: '45 minutes, to be begun in this time.',
      start: dept.now,
      end: dept.now + 120 * MINUTE,
    },
  ]);
  expect(read(await ownCalendar(dept.as('cleo')))).toEqual([]);
});

// In central Europe clocks go on an hour on 28 March 2027 and back an hour on 31 October 2027, both at 1:00 UTC.
it.each([
  ['to', Date.UTC(2027, 2, 28, 0, 30)],
  ['from', Date.UTC(2027, 9, 31, 0, 30)],
])('keeps instants through a change %s summer time', (_, opensAt) => {
  const closesAt = opensAt + 120 * MINUTE;
  const sitting = { id: 'a', title: 'Drive train', course: 'WT', opensAt, closesAt, endedAt: null, minutes: 60 };
  expect(read(calendarFile('Wind', [sitting], 0))).toMatchObject([{ start: opensAt, end: closesAt }]);
});

it('keeps words through every sign that has a meaning, in lines that are short enough', () => {
  const title = 'Drive, train; part \\ one\nEND:VEVENT — Überprüfung '.repeat(5).trim();
  const sitting = { id: 'a', title, course: 'WT', opensAt: 0, closesAt: MINUTE, endedAt: null, minutes: 60 };
  const file = calendarFile('Wind', [sitting], 0);
  expect(read(file)).toMatchObject([{ summary: `${title}, WT` }]);
  // RFC 5545, 3.1: lines end with CRLF and have at most 75 octets.
  const lines = file.split('\r\n');
  expect(lines.every((line) => Buffer.byteLength(line) <= 75 && !line.includes('\n'))).toBe(true);
});
