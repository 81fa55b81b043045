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

it('keeps instants through a change to summer time, and words through every sign that has a meaning', () => {
  // Clocks in central Europe go from 2:00 to 3:00 on 28 March 2027, at 1:00 UTC.
  const opensAt = Date.UTC(2027, 2, 28, 0, 30);
  const closesAt = Date.UTC(2027, 2, 28, 2, 30);
  const title = 'Drive, train; part \\ one\nEND:VEVENT — Überprüfung '.repeat(5).trim();
  const file = calendarFile(
    'Wind',
    [{ id: 'a', title, course: 'WT', opensAt, closesAt, endedAt: null, minutes: 60 }],
    0,
  );
  expect(read(file)).toMatchObject([{ summary: `${title}, WT`, start: opensAt, end: closesAt }]);
  // RFC 5545, 3.1: lines end with CRLF and have at most 75 octets.
  const lines = file.split('\r\n');
  expect(lines.every((line) => Buffer.byteLength(line) <= 75 && !line.includes('\n'))).toBe(true);
});
