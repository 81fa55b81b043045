'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ClipboardEvent, type KeyboardEvent, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { exact, shown } from '@/core/base/exact';
import type { RowGrade } from '@/core/gradebook/row';
import type { BookCell, BookRow, ColumnView } from '@/server/gradebook/gradebook';
import { type Measure, shownEntry } from './shown-entry';

const ROW = 32;

/** A cell by its row and column; column −1 is the final grade. */
export interface Place {
  row: number;
  column: number;
}

interface Props {
  rows: readonly BookRow[];
  columns: readonly ColumnView[];
  gradeOf: (row: BookRow) => RowGrade;
  measure: Measure;
  at: Place;
  /** The other corner of what is chosen. */
  from: Place;
  frozen: boolean;
  onGo: (at: Place, extend: boolean) => void;
  onType: (at: Place, typed: string) => void;
  onPaste: (at: Place, text: string) => void;
  onClear: () => void;
  onFill: () => void;
}

const cellId = ({ row, column }: Place): string => `cell-${row}-${column}`;

/** The gradebook as a grid: arrows go from cell to cell, typing writes, Enter goes down, a block is pasted where the cursor is. */
export function BookGrid(props: Props) {
  const { rows, columns, gradeOf, measure, at, from, frozen, onGo, onType, onPaste, onClear, onFill } = props;
  const frame = useRef<HTMLDivElement>(null);
  const grid = useRef<HTMLTableElement>(null);
  /** What is typed, and what stood there when that began; null while nothing is. */
  const [typed, setTyped] = useState<{ text: string; was: string | null } | null>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list must be drawn anew at every scroll, so the compiler may leave it alone
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 10,
    initialRect: { width: 1200, height: 800 },
  });
  const shownRows = list.getVirtualItems();
  useEffect(() => {
    if (at.row < rows.length) list.scrollToIndex(at.row, { align: 'auto' });
    document.getElementById(cellId(at))?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only a move of the cursor scrolls, not every drawing
  }, [at.row, at.column]);

  const move = (down: number, right: number, extend = false): void =>
    onGo(
      {
        row: Math.min(rows.length - 1, Math.max(0, at.row + down)),
        column: Math.min(columns.length - 1, Math.max(-1, at.column + right)),
      },
      extend,
    );
  const keep = (): void => {
    if (typed !== null && typed.text !== typed.was) onType(at, typed.text);
    setTyped(null);
    grid.current?.focus();
  };
  const finalText = (row: BookRow | undefined): string => (row ? (gradeOf(row).stands?.shown ?? '') : '');
  /** Writes on what stands in a cell. */
  const openCell = ({ row, column }: Place): void => {
    if (frozen) return;
    const cell = rows[row]?.cells[column];
    const facts = columns[column];
    const was = column === -1 ? finalText(rows[row]) : cell && facts ? shownEntry(cell, facts, 'marks') : '';
    setTyped({ text: was, was });
  };
  const arrows: Record<string, [number, number]> = {
    ArrowDown: [1, 0],
    ArrowUp: [-1, 0],
    ArrowRight: [0, 1],
    ArrowLeft: [0, -1],
    PageDown: [15, 0],
    PageUp: [-15, 0],
    Home: [0, -columns.length - 1],
    End: [0, columns.length + 1],
  };
  const press = (event: KeyboardEvent): void => {
    if (typed !== null || event.nativeEvent.isComposing) return;
    const step = arrows[event.key];
    if (event.ctrlKey || event.metaKey) {
      if (event.key === 'd' && !frozen) {
        event.preventDefault();
        onFill();
      }
      return;
    }
    if (event.altKey) return;
    if (step) move(...step, event.shiftKey);
    else if (event.key === 'Enter' || event.key === 'F2') openCell(at);
    else if (event.key === 'Delete' || event.key === 'Backspace') {
      if (!frozen) onClear();
    } else if (event.key.length === 1 && /[\p{L}\p{N}.,–-]/u.test(event.key))
      setTyped(frozen ? null : { text: event.key, was: null });
    else return;
    event.preventDefault();
    // The screen's own single keys are not meant while the cursor is in the grid.
    event.stopPropagation();
  };
  const paste = (event: ClipboardEvent): void => {
    if (typed !== null || frozen) return;
    event.preventDefault();
    onPaste(at, event.clipboardData.getData('text/plain'));
  };
  const [top, bottom] = [Math.min(at.row, from.row), Math.max(at.row, from.row)];
  const [left, right] = [Math.min(at.column, from.column), Math.max(at.column, from.column)];
  const chosen = (row: number, column: number): boolean =>
    row >= top && row <= bottom && column >= left && column <= right && (top < bottom || left < right);
  const before = shownRows[0]?.start ?? 0;
  const after = list.getTotalSize() - (shownRows.at(-1)?.end ?? 0);
  const write = (
    <TypedCell
      value={typed?.text ?? ''}
      onChange={(text) => setTyped((now) => now && { ...now, text })}
      onKeep={(down, sideways) => {
        keep();
        move(down, sideways);
      }}
      onLeave={keep}
      onCancel={() => {
        setTyped(null);
        grid.current?.focus();
      }}
    />
  );
  const place = (row: number, column: number) => {
    const here = at.row === row && at.column === column;
    return {
      id: cellId({ row, column }),
      role: 'gridcell',
      'aria-selected': here || chosen(row, column),
      onClick: (event: { shiftKey: boolean }) => {
        onGo({ row, column }, event.shiftKey);
        grid.current?.focus();
      },
      onDoubleClick: () => openCell({ row, column }),
    } as const;
  };
  return (
    <div className="book-grid" ref={frame}>
      <table
        ref={grid}
        role="grid"
        aria-label="Marks"
        aria-rowcount={rows.length + 1}
        aria-colcount={columns.length + 2}
        aria-activedescendant={rows.length > 0 ? cellId(at) : undefined}
        tabIndex={0}
        onKeyDown={press}
        onPaste={paste}
      >
        <thead>
          <tr>
            <th scope="col" className="who">
              Student
            </th>
            <th scope="col" className="final">
              Final
            </th>
            {columns.map(({ column, title, of, released }) => (
              <th key={column.id} scope="col" className={column.counts ? '' : 'soft'}>
                <span className="title" title={title}>
                  {title}
                </span>
                <span className="of">
                  {measure === 'percent' ? '%' : of === null ? 'marks' : `of ${shown(exact(of))}`}
                  {released ? '' : ' · pencil'}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {before > 0 && <tr aria-hidden="true" style={{ height: before }} />}
          {shownRows.map(({ index }) => {
            const row = rows[index];
            if (!row) return null;
            const grade = gradeOf(row);
            const writing = typed !== null && at.row === index;
            return (
              <tr key={row.member} style={{ height: ROW }} aria-rowindex={index + 2}>
                <th scope="row" className="who" dir="auto">
                  {row.name}
                  {row.left && <span className="soft"> · has left</span>}
                </th>
                <td {...place(index, -1)} className={`final ${row.final.entry ? 'by-hand' : ''}`}>
                  {writing && at.column === -1 ? write : <Final grade={grade} />}
                </td>
                {columns.map((facts, c) => {
                  const cell = row.cells[c];
                  const line = grade?.reckoning.categories
                    .flatMap(({ lines }) => lines)
                    .find(({ column }) => column === facts.column.id);
                  const look = [
                    cell?.entry ? (cell.score ? 'by-hand' : '') : '',
                    cell?.score && !cell.score.stands && !cell.entry ? 'soft' : '',
                    line?.part === 'left out' ? 'left-out' : '',
                    facts.column.counts ? '' : 'soft',
                  ];
                  return (
                    <td
                      key={facts.column.id}
                      {...place(index, c)}
                      className={look.filter((one) => one !== '').join(' ')}
                    >
                      {writing && at.column === c ? (
                        write
                      ) : (
                        <Shown cell={cell} facts={facts} measure={measure} missing={line?.marks?.equals(0) === true} />
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
          {after > 0 && <tr aria-hidden="true" style={{ height: after }} />}
        </tbody>
      </table>
    </div>
  );
}

function Final({ grade }: { grade: RowGrade | undefined }) {
  const stands = grade?.stands;
  if (!stands) return <span className="soft">–</span>;
  return (
    <>
      <strong>{stands.shown}</strong> {stands.grade}{' '}
      <span className={stands.passed ? 'good' : 'wrong'}>{stands.passed ? '✓' : '✗'}</span>
      <span className="visually-hidden">{stands.passed ? 'passed' : 'not passed'}</span>
    </>
  );
}

interface ShownProps {
  cell: BookCell | undefined;
  facts: ColumnView;
  measure: Measure;
  missing: boolean;
}

function Shown({ cell, facts, measure, missing }: ShownProps) {
  const text = cell ? shownEntry(cell, facts, measure) : '';
  if (text === '') return missing ? <span className="wrong">0</span> : null;
  return (
    <>
      {text}
      {cell?.score && cell.score.waiting > 0 && !cell.entry && (
        <span className="hand" title={`${cell.score.waiting} wait`}>
          {' '}
          …
        </span>
      )}
    </>
  );
}

interface TypedProps {
  value: string;
  onChange: (value: string) => void;
  onKeep: (down: number, right: number) => void;
  onLeave: () => void;
  onCancel: () => void;
}

/** The field in a cell while something is typed: Enter keeps it and goes down, Tab to the right, Esc leaves it as it was. */
function TypedCell({ value, onChange, onKeep, onLeave, onCancel }: TypedProps) {
  const field = useRef<HTMLInputElement>(null);
  const left = useRef(false);
  useLayoutEffect(() => field.current?.focus(), []);
  const once = (act: () => void): void => {
    if (left.current) return;
    left.current = true;
    act();
  };
  return (
    <input
      ref={field}
      aria-label="Marks, a percent, or excused"
      value={value}
      maxLength={40}
      onChange={(e) => onChange(e.target.value)}
      onBlur={() => once(onLeave)}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Enter') once(() => onKeep(e.shiftKey ? -1 : 1, 0));
        else if (e.key === 'Tab') once(() => onKeep(0, e.shiftKey ? -1 : 1));
        else if (e.key === 'Escape') once(onCancel);
        else return;
        e.preventDefault();
      }}
    />
  );
}
