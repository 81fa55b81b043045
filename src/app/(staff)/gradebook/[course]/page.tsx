import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { Fragment } from 'react';
import { staffContext } from '@/server/auth/request';
import { openGradebook } from '@/server/gradebook/gradebook';
import { Strip } from '@/ui/frame/Strip';
import { plural } from '@/ui/words/marks';
import { dayOnly } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Gradebook' };

export default async function GradebookPage({ params }: { params: Promise<{ course: string }> }) {
  const opened = await openGradebook(await staffContext(), (await params).course);
  if (!opened.ok) notFound();
  const { course, columns, rows } = opened.value;
  return (
    <>
      <Strip
        where={{ href: '/gradebook', name: 'Gradebook' }}
        title={`${course.code} ${course.title}`}
        state={`${plural(rows.length, 'student')}, ${plural(columns.length, 'column')}`}
      >
        <a className="btn btn-outline-primary" href={`/gradebook/${course.id}/export?as=csv`} download>
          CSV
        </a>
        <a className="btn btn-primary" href={`/gradebook/${course.id}/export?as=xlsx`} download>
          Spreadsheet (XLSX)
        </a>
      </Strip>
      <div className="page">
        <div className="list-sheet scroll-x">
          <table className="rows">
            <thead>
              <tr>
                <th scope="col" rowSpan={2} style={{ verticalAlign: 'bottom' }}>
                  Student
                </th>
                {columns.map((c) => (
                  <th key={c.sitting} scope="colgroup" colSpan={3}>
                    <Link className="title" href={`/sittings/${c.sitting}/results`}>
                      {c.title}
                    </Link>
                    <div className="fw-normal">
                      {dayOnly(c.date)} · of {c.of} ·{' '}
                      {c.released ? <span className="good">released</span> : 'in pencil, not released'}
                    </div>
                  </th>
                ))}
                <th scope="colgroup" colSpan={2}>
                  Final <div className="fw-normal">released columns, by marks</div>
                </th>
              </tr>
              <tr>
                {columns.map((c) => (
                  <Fragment key={c.sitting}>
                    <th scope="col" className="num">
                      Percent
                    </th>
                    <th scope="col">Grade</th>
                    <th scope="col">Pass</th>
                  </Fragment>
                ))}
                <th scope="col" className="num">
                  Percent
                </th>
                <th scope="col">Grade</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.member}>
                  <td dir="auto">{row.name}</td>
                  {row.cells.map((cell, i) => {
                    const pencil = columns[i]?.released ? '' : 'soft';
                    return cell === null ? (
                      <td key={columns[i]?.sitting} colSpan={3} className="soft">
                        not sat
                      </td>
                    ) : (
                      <Fragment key={columns[i]?.sitting}>
                        <td className={`num ${pencil}`}>{cell.percent}</td>
                        <td className={pencil}>{cell.grade}</td>
                        <td>
                          {cell.waiting > 0 ? (
                            <span className="hand">{plural(cell.waiting, 'waits', 'wait')}</span>
                          ) : cell.passed ? (
                            <span className={columns[i]?.released ? 'good' : 'soft'}>✓ passed</span>
                          ) : (
                            <span className={columns[i]?.released ? 'wrong' : 'soft'}>not passed</span>
                          )}
                        </td>
                      </Fragment>
                    );
                  })}
                  <td className="num">{row.final ? <strong>{row.final.percent}</strong> : ''}</td>
                  <td>{row.final?.grade}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </>
  );
}
