'use client';
import Link from 'next/link';
import { Fragment, type ReactNode, useState } from 'react';
import type { Gradebook } from '@/server/gradebook/gradebook';
import { plural } from '../words/marks';
import { dayOnly } from '../words/time';

type Rows = Gradebook['rows'];
type Columns = Gradebook['columns'];

interface Sort {
  /** "name", "final", or the sitting of a column. */
  by: string;
  down: boolean;
}

/** The rows in another order; who has no figure stands at the end, whichever way. */
function sorted(rows: Rows, columns: Columns, { by, down }: Sort): Rows {
  if (by === 'name') return down ? [...rows].reverse() : rows;
  const at = columns.findIndex((c) => c.sitting === by);
  const figure = (row: Rows[number]): number | null => {
    const percent = by === 'final' ? row.final?.percent : row.cells[at]?.percent;
    return percent === undefined ? null : Number(percent);
  };
  return [...rows].sort((a, b) => {
    const [left, right] = [figure(a), figure(b)];
    if (left === null || right === null) return Number(left === null) - Number(right === null);
    return down ? right - left : left - right;
  });
}

interface HeadProps {
  sort: Sort;
  by: string;
  onSort: (sort: Sort) => void;
  figure?: boolean;
  rowSpan?: number;
  children: ReactNode;
}

/** The head of a column that the table can be sorted by. */
function SortHead({ sort, by, onSort, figure = false, rowSpan, children }: HeadProps) {
  const on = sort.by === by;
  return (
    <th
      scope="col"
      className={figure ? 'num' : ''}
      rowSpan={rowSpan}
      style={{ verticalAlign: 'bottom' }}
      aria-sort={on ? (sort.down ? 'descending' : 'ascending') : 'none'}
    >
      <button
        type="button"
        className="btn-link-plain fw-bold"
        onClick={() => onSort({ by, down: on ? !sort.down : figure })}
      >
        {children} {on && (sort.down ? '↓' : '↑')}
      </button>
    </th>
  );
}

/** The gradebook of a course, in any order. */
export function GradebookTable({ columns, rows }: { columns: Columns; rows: Rows }) {
  const [sort, setSort] = useState<Sort>({ by: 'name', down: false });
  return (
    <table className="rows">
      <thead>
        <tr>
          <SortHead sort={sort} by="name" onSort={setSort} rowSpan={2}>
            Student
          </SortHead>
          {columns.map((c) => (
            <th key={c.sitting} scope="colgroup" colSpan={3}>
              <Link className="title" href={`/sittings/${c.sitting}/results`}>
                {c.title}
              </Link>
              <div className="fw-normal">
                {dayOnly(c.date)} · {c.of !== null && `of ${c.of} · `}
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
              <SortHead sort={sort} by={c.sitting} onSort={setSort} figure>
                Percent
              </SortHead>
              <th scope="col">Grade</th>
              <th scope="col">Pass</th>
            </Fragment>
          ))}
          <SortHead sort={sort} by="final" onSort={setSort} figure>
            Percent
          </SortHead>
          <th scope="col">Grade</th>
        </tr>
      </thead>
      <tbody>
        {sorted(rows, columns, sort).map((row) => (
          <tr key={row.member}>
            <td dir="auto">
              <Link className="title" href={`/department#${row.member}`} prefetch={false}>
                {row.name}
              </Link>
            </td>
            {row.cells.map((cell, i) => {
              const pencil = columns[i]?.released ? '' : 'soft';
              return cell === null ? (
                <td key={columns[i]?.sitting} colSpan={3} className="soft">
                  not sat
                </td>
              ) : (
                <Fragment key={columns[i]?.sitting}>
                  <td className={`num ${pencil}`}>
                    <Link href={`/results/${cell.attempt}`} prefetch={false}>
                      {cell.percent}
                    </Link>
                  </td>
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
  );
}
