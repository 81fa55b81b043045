'use client';
import { Link } from '../parts/Link';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { cellHistoryAction } from '@/actions/gradebook';
import { exact, shown } from '@/core/base/exact';
import { FINAL } from '@/core/gradebook/book';

import type { RowGrade } from '@/core/gradebook/row';
import type { BookRow, CellEntry, ColumnView, Gradebook } from '@/server/gradebook/gradebook';
import { Trouble } from '../parts/Trouble';
import { columnText, entryText } from '../words/gradebook';
import { refusalText } from '../words/refusals';
import { dayAndTime } from '../words/time';
import { ExplainGrade } from './ExplainGrade';
import { replyTo } from '../parts/reply-to';

interface Props {
  gradebook: Gradebook;
  row: BookRow;
  grade: RowGrade | undefined;
  /** Null for the final grade. */
  column: ColumnView | null;
  onExcuse: (column: string) => void;
  onClear: (column: string) => void;
}

/** What is to be known of the cell under the cursor, and how the student's grade comes about. */
export function CellNote({ gradebook, row, grade, column, onExcuse, onClear }: Props) {
  const { columns, policy, signed } = gradebook;
  const titles = new Map(columns.map((one) => [one.column.id, one.title]));
  const cell = column ? row.cells[columns.indexOf(column)] : undefined;
  const last = column ? (cell?.last ?? 0) : row.final.last;
  const id = column?.column.id ?? FINAL;
  const kept = signed?.grades[row.member];
  return (
    <aside className="margin" aria-label="The cell">
      <h2 dir="auto">{row.name}</h2>
      {column && (
        <div className="note on">
          <h3>
            {column.title} <span className="end">{column.of === null ? '' : `of ${shown(exact(column.of))}`}</span>
          </h3>
          <p className="soft">{columnText(column.column)}</p>
          {cell?.score && (
            <p>
              <Link href={`/results/${cell.score.attempt}`}>
                {shown(exact(cell.score.marks))} of {shown(exact(cell.score.of))}
              </Link>
              {cell.score.waiting > 0
                ? `, ${cell.score.waiting} still to mark`
                : cell.score.stands
                  ? ' in the sitting'
                  : ' in pencil, not released'}
            </p>
          )}
          {signed === null && (
            <p className="d-flex gap-2 mb-0">
              {cell?.entry?.is !== 'excused' && (
                <Button size="sm" variant="outline-primary" onClick={() => onExcuse(id)}>
                  Excuse
                </Button>
              )}
              {cell?.entry && (
                <Button size="sm" variant="outline-primary" onClick={() => onClear(id)}>
                  {cell.score ? 'Back to the sitting’s' : 'Empty it'}
                </Button>
              )}
            </p>
          )}
        </div>
      )}
      {last > 0 && <History key={last} course={gradebook.course.id} column={id} member={row.member} />}
      {grade && (
        <div className="note">
          <h3>How the grade comes about</h3>
          <ExplainGrade grade={grade} policy={policy} titleOf={(one) => titles.get(one) ?? ''} />
          {row.final.entry && signed === null && (
            <Button size="sm" variant="outline-primary" onClick={() => onClear(FINAL)}>
              Back to the reckoned grade
            </Button>
          )}
          {kept && (
            <p className="mb-0">
              Signed off: {shown(exact(kept.percent), 2)} %{kept.grade && `, grade ${kept.grade}`}.
            </p>
          )}
        </div>
      )}
    </aside>
  );
}

/** What was put into a cell, newest first: the last of it, and all when asked. */
function History(of: { course: string; column: string; member: string }) {
  const { course, column, member } = of;
  const [entries, setEntries] = useState<CellEntry[]>([]);
  const [all, setAll] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let stale = false;
    void replyTo(cellHistoryAction({ course, column, member })).then((result) => {
      if (stale) return;
      setTrouble(result.ok ? null : refusalText(result.refusal));
      if (result.ok) setEntries(result.value);
    });
    return () => {
      stale = true;
    };
  }, [course, column, member]);
  return (
    <div className="note" aria-busy={entries.length === 0 && trouble === null}>
      <h3>By hand</h3>
      {(all ? entries : entries.slice(0, 1)).map((one) => (
        <p key={one.id}>
          <strong>{entryText(one.entry)}</strong> by {one.by}, {dayAndTime(one.at)}
          {one.reason && <span className="soft d-block">{one.reason}</span>}
        </p>
      ))}
      {!all && entries.length > 1 && (
        <button type="button" className="btn-link-plain" onClick={() => setAll(true)}>
          All {entries.length} that were put in here
        </button>
      )}
      <Trouble>{trouble}</Trouble>
    </div>
  );
}
