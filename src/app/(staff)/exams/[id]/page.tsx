import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { listGoals, listShelves, listTags } from '@/server/bank/shelves';
import { examView } from '@/server/exams/exam-view';
import { openExam } from '@/server/exams/exams';
import { listColleagues } from '@/server/people/members';
import { coursesFor } from '@/server/people/courses';
import { departmentZone } from '@/server/people/zone';
import { ExamDesk } from '@/ui/exams/ExamDesk';

export const metadata: Metadata = { title: 'Exam' };

export default async function ExamPage({ params }: { params: Promise<{ id: string }> }) {
  const ctx = await staffContext();
  const exam = await openExam(ctx, (await params).id);
  if (!exam.ok) notFound();
  return (
    <ExamDesk
      key={exam.value.id}
      exam={exam.value}
      view={must(await examView(ctx, { plan: exam.value.plan, course: exam.value.course?.id ?? null }))}
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
