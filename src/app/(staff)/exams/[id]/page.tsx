import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { may } from '@/core/people/may';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { listGoals, listShelves, listTags } from '@/server/bank/shelves';
import { examView } from '@/server/exams/exam-view';
import { listExams, openExam } from '@/server/exams/exams';
import { listColleagues } from '@/server/people/members';
import { coursesFor } from '@/server/people/courses';
import { NOT_FOUND } from '@/server/context';
import { readDepartment } from '@/server/people/policy';
import { departmentZone } from '@/server/people/zone';
import { openRoster } from '@/server/people/roster';
import { ExamDesk } from '@/ui/exams/ExamDesk';
import type { CoursePeople } from '@/ui/exams/OnlyFor';

const NO_PEOPLE: CoursePeople = { subjects: [], groups: [], students: [] };

export const metadata: Metadata = { title: 'Exam' };

export default async function ExamPage({ params }: { params: Promise<{ id: string }> }) {
  const ctx = await staffContext();
  const exam = await openExam(ctx, (await params).id);
  if (!exam.ok) notFound();
  const course = exam.value.course?.id ?? null;
  // Who is in a course is told to those who keep its roster.
  const people = course === null ? NOT_FOUND : await openRoster(ctx, course);
  const { policy } = await readDepartment(ctx.db.read);
  return (
    <ExamDesk
      key={exam.value.id}
      exam={exam.value}
      view={must(await examView(ctx, { plan: exam.value.plan, course, exam: exam.value.id }))}
      people={people.ok ? people.value : NO_PEOPLE}
      agreed={policy.blueprint}
      mayAgree={may(ctx.actor, 'set policy', null)}
      others={must(await listExams(ctx)).filter(({ id }) => id !== exam.value.id)}
      zone={departmentZone()}
      courses={await coursesFor(ctx, 'run sittings')}
      from={{
        shelves: await listShelves(ctx),
        tags: await listTags(ctx),
        goals: await listGoals(ctx),
        authors: await listColleagues(ctx),
      }}
    />
  );
}
