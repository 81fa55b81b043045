import type { Metadata } from 'next';
import Link from 'next/link';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { listMarking } from '@/server/marking/desk';
import { Strip } from '@/ui/frame/Strip';
import { plural } from '@/ui/words/marks';

export const metadata: Metadata = { title: 'Marking' };

export default async function MarkingPage() {
  const tasks = must(await listMarking(await staffContext()));
  const waiting = tasks.reduce((n, t) => n + t.waiting, 0);
  const first = tasks.find((t) => t.waiting > 0);
  return (
    <>
      <Strip title="Marking" state={waiting === 0 ? 'nothing waits' : plural(waiting, 'answer waits', 'answers wait')}>
        {first && (
          <Link className="btn btn-primary" href={`/marking/${first.sitting}/${first.item}`}>
            Mark the next
          </Link>
        )}
      </Strip>
      <div className="page">
        <div className="list-sheet">
          <table className="rows">
            <thead>
              <tr>
                <th scope="col">Question</th>
                <th scope="col">Sitting</th>
                <th scope="col">Course</th>
                <th scope="col" className="num">
                  Marked
                </th>
                <th scope="col" className="num">
                  Waiting
                </th>
              </tr>
            </thead>
            <tbody>
              {tasks.map((t) => (
                <tr key={t.sitting + t.item}>
                  <td>
                    <Link className="title" href={`/marking/${t.sitting}/${t.item}`}>
                      {t.number}. {t.label}
                    </Link>
                  </td>
                  <td>{t.title}</td>
                  <td>{t.course}</td>
                  <td className="num">{t.answers - t.waiting}</td>
                  <td className={t.waiting > 0 ? 'num hand' : 'num soft'}>{t.waiting}</td>
                </tr>
              ))}
              {tasks.length === 0 && (
                <tr>
                  <td colSpan={5} className="text-center p-4">
                    Nothing waits for a person. Answers on which no rule decides will appear here.
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
