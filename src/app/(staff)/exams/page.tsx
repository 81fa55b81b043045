import type { Metadata } from 'next';
import Link from 'next/link';
import { redirect } from 'next/navigation';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { listExams } from '@/server/exams/exams';
import { listCourses } from '@/server/gradebook/gradebook';
import { NewExam } from '@/ui/exams/NewExam';
import { Strip } from '@/ui/frame/Strip';
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
        <NewExam courses={must(await listCourses(ctx))} open={(await searchParams).new === 'yes'} />
      </Strip>
      <div className="page">
        <div className="list-sheet">
          <table className="rows">
            <thead>
              <tr>
                <th scope="col">Exam</th>
                <th scope="col">Course</th>
                <th scope="col" className="num">
                  Questions
                </th>
                <th scope="col" className="num">
                  Minutes
                </th>
                <th scope="col">By</th>
                <th scope="col">Changed</th>
              </tr>
            </thead>
            <tbody>
              {exams.value.map((e) => (
                <tr key={e.id}>
                  <td>
                    <Link className="title" href={`/exams/${e.id}`}>
                      {e.title}
                    </Link>
                  </td>
                  <td>{e.course}</td>
                  <td className="num">{e.questions}</td>
                  <td className="num">{e.minutes}</td>
                  <td>{e.owner}</td>
                  <td className="soft">{dayAndTime(e.savedAt)}</td>
                </tr>
              ))}
              {exams.value.length === 0 && (
                <tr>
                  <td colSpan={6} className="text-center p-4">
                    No exam yet. Build one from the questions of the bank.
                  </td>
                </tr>
              )}
            </tbody>
          </table>
        </div>
      </div>
    </>
  );
}
