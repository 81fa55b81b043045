'use client';
import { Link } from '../parts/Link';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import { type NotTaken, type Proposal, type Proposed, proposeBlock, readBlock } from '@/core/gradebook/bring-in';
import { FINAL } from '@/core/gradebook/book';
import { asksWhy, readTyped } from '@/core/gradebook/cell';
import { gradesOf } from '@/core/gradebook/row';
import type { Gradebook } from '@/server/gradebook/gradebook';
import { useKeys } from '../frame/keys';
import { Strip } from '../frame/Strip';
import { Trouble } from '../parts/Trouble';
import { notTakenText } from '../words/gradebook';
import { plural } from '../words/marks';
import { BookGrid, type Place } from './BookGrid';
import { BringInMarks } from './BringInMarks';
import { CellNote } from './CellNote';
import { ProposalDialog } from './ProposalDialog';
import { MEASURES, type Measure } from './shown-entry';
import { SignOff } from './SignOff';
import { useBook } from './use-book';
import { WhyDialog } from './WhyDialog';
import './gradebook.scss';

const FORMATS = [
  ['xlsx', 'a spreadsheet that reckons (XLSX)'],
  ['csv', 'a table (CSV)'],
  ['oneroster', 'OneRoster results'],
] as const;

/** The gradebook of a course: a grid to type in, and beside it how the grade under the cursor comes about. */
export function GradebookDesk({ gradebook }: { gradebook: Gradebook }) {
  const { course, columns, policy, book, signed } = gradebook;
  const { rows, put, undo, canUndo, busy, trouble } = useBook(course.id, gradebook.rows, columns);
  const [at, setAt] = useState<Place>({ row: 0, column: columns.length > 0 ? 0 : -1 });
  const [from, setFrom] = useState<Place>(at);
  const [measure, setMeasure] = useState<Measure>('marks');
  const [bad, setBad] = useState<NotTaken | null>(null);
  const [proposal, setProposal] = useState<Proposal | null>(null);
  /** Changes that wait for their reason. */
  const [why, setWhy] = useState<Proposed[] | null>(null);
  const [bringing, setBringing] = useState(false);
  useKeys([{ keys: 'Ctrl+z', what: 'Undo', run: () => void undo() }]);
  // Reckoned when a row comes into sight, and again only when it changes.
  const gradeOf = useMemo(() => gradesOf({ book, policy, columns }), [book, policy, columns]);
  const frozen = signed !== null;
  const fillable = columns.map(({ column, title, of }) => ({ id: column.id, title, of }));
  const standing = (member: string, column: string) => {
    const row = rows.find((one) => one.member === member);
    return row?.cells[columns.findIndex((one) => one.column.id === column)]?.entry ?? null;
  };
  /** Puts changes in, after asking why where they take the place of what was reckoned. */
  const make = (changes: Proposed[]): void => {
    const asked = changes.some(({ column }) => {
      const facts = columns.find((one) => one.column.id === column);
      return asksWhy(facts?.column ?? FINAL);
    });
    if (asked) setWhy(changes);
    else void put(changes, '');
  };
  const type = ({ row, column }: Place, typed: string): void => {
    const member = rows[row]?.member;
    if (member === undefined) return;
    const facts = columns[column];
    const read = readTyped(typed, facts ? facts.of : '100');
    setBad(read.ok ? null : { row: row + 1, text: typed, why: read.why });
    if (!read.ok) return;
    if (facts) return make([{ column: facts.column.id, member, entry: read.entry }]);
    const entry = read.entry;
    if (entry?.is === 'excused') return setBad({ row: row + 1, text: typed, why: 'not-a-number' });
    make([
      {
        column: FINAL,
        member,
        entry: entry?.is === 'marks' ? { is: 'final', percent: entry.marks } : null,
      },
    ]);
  };
  const area = {
    top: Math.min(at.row, from.row),
    bottom: Math.max(at.row, from.row),
    left: Math.min(at.column, from.column),
    right: Math.max(at.column, from.column),
  };
  const inArea = rows.slice(area.top, area.bottom + 1);
  const columnIds = [FINAL, ...columns.map(({ column }) => column.id)].slice(area.left + 1, area.right + 2);
  const entryIn = (row: (typeof rows)[number], column: string) =>
    column === FINAL ? row.final.entry : standing(row.member, column);
  const clear = (): void => {
    const changes = inArea.flatMap((row) =>
      columnIds.flatMap((column): Proposed[] =>
        entryIn(row, column) === null ? [] : [{ column, member: row.member, entry: null }],
      ),
    );
    if (changes.length > 0) make(changes);
  };
  const fill = (): void => {
    const [first, ...below] = inArea;
    if (!first) return;
    const changes = below.flatMap((row) =>
      columnIds
        .filter((column) => column !== FINAL)
        .map((column): Proposed => ({ column, member: row.member, entry: entryIn(first, column) })),
    );
    if (changes.length > 0) make(changes);
  };
  const paste = (place: Place, text: string): void => {
    const block = readBlock(text);
    if (place.column < 0) return setBad({ row: place.row + 1, text: text.slice(0, 40), why: 'outside' });
    const to = { members: rows.slice(place.row).map(({ member }) => member), columns: fillable.slice(place.column) };
    setProposal(proposeBlock(block, to, standing));
  };
  const row = rows[at.row];
  return (
    <>
      <Strip
        where={{ href: '/gradebook', name: 'Gradebook' }}
        title={`${course.code} ${course.title}`}
        state={`${plural(rows.length, 'student')}, ${plural(columns.length, 'column')}`}
      >
        {busy ? <span className="state">Saving…</span> : canUndo && <span className="state">Saved</span>}
        <Button variant="quiet" disabled={!canUndo || frozen} onClick={() => void undo()}>
          Undo
        </Button>
        <Link className="btn btn-quiet" href={`/gradebook/${course.id}/rules`}>
          How grades come about
        </Link>
        <Button variant="quiet" aria-haspopup="dialog" disabled={frozen} onClick={() => setBringing(true)}>
          Bring in…
        </Button>
        <Dropdown align="end">
          <Dropdown.Toggle variant="quiet">Take out…</Dropdown.Toggle>
          <Dropdown.Menu renderOnMount>
            {FORMATS.map(([as, words]) => (
              <Dropdown.Item key={as} href={`/gradebook/${course.id}/export?as=${as}`} download>
                {words}
              </Dropdown.Item>
            ))}
            <Dropdown.Item as={Link} href={`/gradebook/${course.id}/outside`}>
              to the gradebook of a learning platform
            </Dropdown.Item>
          </Dropdown.Menu>
        </Dropdown>
        <SignOff course={course.id} signed={signed} />
      </Strip>
      <div className="split with-margin book-desk">
        <div>
          <div className="d-flex gap-3 align-items-center mb-2 flex-wrap">
            <fieldset className="d-flex gap-3">
              <legend className="visually-hidden">Cells show</legend>
              {MEASURES.map((one) => (
                <label key={one} className="d-flex gap-1">
                  <input
                    type="radio"
                    className="form-check-input"
                    name="measure"
                    checked={measure === one}
                    onChange={() => setMeasure(one)}
                  />
                  {one}
                </label>
              ))}
            </fieldset>
            <span className="soft">Type, paste a block, Ctrl D fills down.</span>
          </div>
          <Trouble>{trouble ?? (bad ? notTakenText(bad) : null)}</Trouble>
          {rows.length === 0 ? (
            <div className="sheet plain">Nobody is in this course yet.</div>
          ) : (
            <BookGrid
              rows={rows}
              columns={columns}
              gradeOf={gradeOf}
              measure={measure}
              at={at}
              from={from}
              frozen={frozen}
              onGo={(next, extend) => {
                setAt(next);
                if (!extend) setFrom(next);
              }}
              onType={type}
              onPaste={paste}
              onClear={clear}
              onFill={fill}
            />
          )}
        </div>
        {row && (
          <CellNote
            key={`${row.member} ${at.column}`}
            gradebook={gradebook}
            row={row}
            grade={gradeOf(row)}
            column={columns[at.column] ?? null}
            onExcuse={(column) => make([{ column, member: row.member, entry: { is: 'excused' } }])}
            onClear={(column) => make([{ column, member: row.member, entry: null }])}
          />
        )}
      </div>
      {proposal && (
        <ProposalDialog
          proposal={proposal}
          rows={rows}
          columns={columns}
          onTake={() => {
            setProposal(null);
            make(proposal.changes);
          }}
          onClose={() => setProposal(null)}
        />
      )}
      {bringing && (
        <BringInMarks
          course={course.id}
          people={rows}
          columns={fillable}
          standing={standing}
          onRead={(found) => {
            setBringing(false);
            setProposal(found);
          }}
          onClose={() => setBringing(false)}
        />
      )}
      {why && (
        <WhyDialog
          count={why.length}
          onSay={(reason) => {
            setWhy(null);
            void put(why, reason);
          }}
          onClose={() => setWhy(null)}
        />
      )}
    </>
  );
}
