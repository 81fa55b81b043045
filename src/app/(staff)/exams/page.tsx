import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { listExams } from '@/server/exams/exams';
import { coursesFor } from '@/server/people/courses';
import { NewExam } from '@/ui/exams/NewExam';
import { Strip } from '@/ui/frame/Strip';
import { ListSheet } from '@/ui/parts/ListSheet';
import { plural } from '@/ui/words/marks';
import { dayAndTime } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Exams' };

export default async function ExamsPage({ searchParams }: { searchParams: Promise<{ new?: string }> }) {
  const ctx = await staffContext();
  const exams = await listExams(ctx);
  if (!exams.ok) redirect('/');
  return (
    <>
      <Strip title="Exams" state={plural(exams.value.length, 'exam')}>
        <NewExam courses={await coursesFor(ctx, 'run sittings')} open={(await searchParams).new === 'yes'} />
      </Strip>
      <ListSheet
        rows={exams.value}
        keyOf={(e) => e.id}
        title="Exam"
        href={(e) => `/exams/${e.id}`}
        text={(e) => e.title}
        columns={[
          { head: 'Course', cell: (e) => e.course },
          { head: 'Questions', figure: true, cell: (e) => e.questions },
          { head: 'Minutes', figure: true, cell: (e) => e.minutes },
          { head: 'By', cell: (e) => e.owner },
          { head: 'Changed', cell: (e) => <span className="soft">{dayAndTime(e.savedAt)}</span> },
        ]}
        empty="No exam yet. Build one from the questions of the bank."
      />
    </>
  );
}
