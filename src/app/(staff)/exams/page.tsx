import type { Metadata } from 'next';
import { Link } from '@/ui/parts/Link';
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

export default async function ExamsPage({
  searchParams,
}: {
  searchParams: Promise<{ new?: string; archive?: string }>;
}) {
  const ctx = await staffContext();
  const asked = await searchParams;
  const archive = asked.archive === 'yes';
  const exams = await listExams(ctx, archive);
  if (!exams.ok) redirect('/');
  return (
    <>
      <Strip
        title={archive ? 'Archived exams' : 'Exams'}
        state={plural(exams.value.length, 'exam')}
        {...(archive ? { where: { href: '/exams', name: 'Exams' } } : {})}
      >
        {!archive && (
          <>
            <Link className="btn btn-quiet" href="/exams/files">
              Sealed files
            </Link>
            <Link className="btn btn-quiet" href="/exams?archive=yes">
              Archive
            </Link>
          </>
        )}
        <NewExam courses={await coursesFor(ctx, 'run sittings')} open={asked.new === 'yes'} />
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
          { head: 'By', cell: (e) => `${e.owner}${e.locked ? ', locked' : ''}` },
          { head: 'Changed', cell: (e) => <span className="soft">{dayAndTime(e.savedAt)}</span> },
        ]}
        empty={archive ? 'Nothing is archived.' : 'No exam yet. Build one from the questions of the bank.'}
      />
    </>
  );
}
