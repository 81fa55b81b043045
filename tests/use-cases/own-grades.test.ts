import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { type Book, NEW_BOOK } from '@/core/gradebook/book';
import { putCells } from '@/server/gradebook/entries';
import { openGradebook } from '@/server/gradebook/gradebook';
import { openOwnGrades, ownGradebooks } from '@/server/gradebook/own-grades';
import { saveBook, signOff } from '@/server/gradebook/settings';
import { TestDepartment } from '../drivers/department';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
  await say({ studentsRead: false });
  const change = (who: string, marks: string) => ({
    column: 'talk',
    member: dept.as(who).actor.id,
    entry: { is: 'marks' as const, marks },
    base: 0,
  });
  const changes = [change('ada', '6'), change('ben', '3')];
  must(await putCells(dept.as('teacher'), { course: dept.course, changes, reason: 'not for students to read' }));
});
afterEach(() => dept.close());

async function say(more: Partial<Book>): Promise<void> {
  const { version } = must(await openGradebook(dept.as('teacher'), dept.course));
  const hand = (id: string) => ({
    id,
    from: { is: 'hand' as const, title: id, of: '10' },
    category: null,
    counts: true,
    extra: false,
    missing: 'not yet' as const,
    replacedBy: null,
  });
  const book = { ...NEW_BOOK, columns: [hand('talk'), hand('project')], ...more };
  must(await saveBook(dept.as('teacher'), { course: dept.course, base: version, book }));
}
const own = (who: string) => openOwnGrades(dept.as(who), dept.course);

it('a student reads their own row once the course lets them, and what is needed for more', async () => {
  expect(await own('ada')).toMatchObject({ refusal: { code: 'forbidden' } });
  expect(await ownGradebooks(dept.as('ada'))).toEqual([]);
  await say({
    studentsRead: true,
    grades: [
      { from: '0', grade: 'low' },
      { from: '50', grade: 'pass' },
      { from: '80', grade: 'high' },
      { from: '90', grade: 'top' },
    ],
  });
  expect(await ownGradebooks(dept.as('ada'))).toMatchObject([{ id: dept.course }]);
  const grades = must(await own('ada'));
  expect(grades.grade.stands).toMatchObject({ shown: '60.0', grade: 'pass' });
  expect(grades.needs).toEqual([
    {
      title: 'project',
      of: '10',
      grades: [
        { grade: 'pass', from: '50', marks: '4' },
        { grade: 'high', from: '80', marks: '10' },
        { grade: 'top', from: '90', marks: null },
      ],
    },
  ]);
  // Nothing of others, and no reason that staff wrote for each other.
  const page = JSON.stringify(grades, (_, value: unknown) => (typeof value === 'bigint' ? String(value) : value));
  for (const secret of ['ben', dept.as('ben').actor.id, 'not for students'])
    expect(page.includes(secret), secret).toBe(false);
  for (const who of ['teacher', 'marker', 'stranger']) expect((await own(who)).ok, who).toBe(false);
});

it('what is signed off stands as it was, with nothing needed any more', async () => {
  await say({ studentsRead: true });
  must(await signOff(dept.as('teacher'), dept.course));
  expect(must(await own('ben'))).toMatchObject({ signed: { percent: '30' }, needs: [] });
});
