import type { Metadata } from 'next';
import Link from 'next/link';
import { must } from '@/core/base/result';
import { doorState } from '@/core/sittings/entry';
import { staffContext } from '@/server/auth/request';
import { listSittings } from '@/server/sittings/list-sittings';
import { Strip } from '@/ui/frame/Strip';
import { plural } from '@/ui/words/marks';
import { dayAndTime, timeOnly } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Sittings' };

export default async function SittingsPage() {
  const ctx = await staffContext();
  const sittings = must(await listSittings(ctx));
  const words = { before: 'scheduled', open: 'open now', closed: 'over' };
  return (
    <>
      <Strip title="Sittings" state={plural(sittings.length, 'sitting')}>
        <Link className="btn btn-primary" href="/exams">
          Schedule an exam
        </Link>
      </Strip>
      <div className="page">
        <div className="list-sheet">
          <table className="rows">
            <thead>
              <tr>
                <th scope="col">Sitting</th>
                <th scope="col">Course</th>
                <th scope="col">From – to</th>
                <th scope="col" className="num">
                  Minutes
                </th>
                <th scope="col" className="num">
                  Handed in
                </th>
                <th scope="col">State</th>
              </tr>
            </thead>
            <tbody>
              {sittings.map((s) => {
                const state = doorState(s, ctx.now);
                return (
                  <tr key={s.id}>
                    <td>
                      <Link className="title" href={`/sittings/${s.id}`}>
                        {s.title}
                      </Link>
                    </td>
                    <td>{s.course}</td>
                    <td>
                      {dayAndTime(s.opensAt)} – {timeOnly(s.closesAt)}
                    </td>
                    <td className="num">{s.minutes}</td>
                    <td className="num">
                      {s.handedIn} of {s.students}
                    </td>
                    <td>
                      {s.releasedAt !== null ? (
                        <span className="good">released</span>
                      ) : (
                        <span className={state === 'open' ? 'good' : state === 'closed' ? 'hand' : 'soft'}>
                          {state === 'closed' && s.handedIn > 0 ? 'not released' : words[state]}
                        </span>
                      )}
                    </td>
                  </tr>
                );
              })}
              {sittings.length === 0 && (
                <tr>
                  <td colSpan={6} className="text-center p-4">
                    No sitting yet. Open an exam and schedule it.
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
