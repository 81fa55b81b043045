'use client';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { GripVertical, Plus, X } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, type ReactNode, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import Button from 'react-bootstrap/Button';
import { plural } from '../words/marks';
import { DragArea } from './DragArea';
import { RowMedia } from './RowMedia';
import { leftOut, lineWords, moved, type Row, withLines, without, withRow } from './rows';
import { Trouble } from './Trouble';

interface Props<T extends Row> {
  rows: readonly T[];
  /** What one row is called: "option", "name". */
  what: string;
  label: string;
  /** How many rows there can be, and how many must stay. */
  most: number;
  least: number;
  longest: number;
  placeholder: (at: number) => string;
  fresh: (rows: readonly T[], text: string) => T;
  /** A pasted list, from a row on, where its lines say more than the words of rows. */
  pasted?: (at: number, text: string) => T[];
  onChange: (rows: T[]) => void;
  /** Goes on behind the list, after an empty last row. */
  onLeave?: () => void;
  /** What stands before and behind the words of a row. */
  before?: (row: T, at: number) => ReactNode;
  after?: (row: T, at: number) => ReactNode;
}

/** Words one a line: Enter adds, an empty last one ends the list, a pasted list falls into rows, rows are moved by their grip or with Alt and the arrows. */
export function LineRows<T extends Row>(props: Props<T>) {
  const { rows, what, label, most, least, longest, fresh, onLeave } = props;
  const group = useRef<HTMLDivElement>(null);
  /** How many lines of the last pasted list found no room; said until something else changes. */
  const [left, setLeftOut] = useState(0);
  const onChange = (next: T[]): void => {
    setLeftOut(0);
    props.onChange(next);
  };
  const fieldAt = (at: number): void => group.current?.querySelectorAll<HTMLInputElement>('input.text')[at]?.focus();
  /** Changes the list and goes on in one of its lines, before the next key is pressed. */
  const goOn = (next: T[], at: number): void => {
    flushSync(() => onChange(next));
    fieldAt(at);
  };
  const add = (at: number): void => goOn(withRow(rows, at, fresh(rows, ''), most), at);

  const press = (event: KeyboardEvent<HTMLInputElement>, at: number): void => {
    const row = rows[at];
    if (!row) return;
    const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const leaves = event.key === 'Backspace' && row.text === '' && rows.length > least;
    if (event.key !== 'Enter' && !leaves && !step) return;
    event.preventDefault();
    if (event.key === 'Enter') {
      if (at < rows.length - 1) fieldAt(at + 1);
      else if (row.text.trim() !== '') add(at + 1);
      else if (rows.length > least) {
        // An empty last line ends the list; one goes on below it.
        flushSync(() => onChange(without(rows, row.id)));
        onLeave?.();
      }
    } else if (leaves) goOn(without(rows, row.id), Math.max(0, at - 1));
    else if (step && event.altKey) {
      const to = Math.min(rows.length - 1, Math.max(0, at + step));
      goOn(moved(rows, at, to), to);
    } else if (step) fieldAt(at + step);
  };
  const pasted = (at: number, text: string): T[] =>
    withLines(rows, at, {
      text,
      most,
      write: (line, empty, all) => ({ ...(empty ?? fresh(all, '')), text: lineWords(line).slice(0, longest) }),
    });
  const paste = (event: ClipboardEvent<HTMLInputElement>, at: number): void => {
    const lines = event.clipboardData.getData('text/plain');
    if (!/\S\s*\n\s*\S/.test(lines)) return;
    event.preventDefault();
    const next = (props.pasted ?? pasted)(at, lines);
    goOn(next, Math.min(next.length - 1, at + (next.length - rows.length)));
    setLeftOut(leftOut(rows, next, lines));
  };
  const place = (id: string): number => rows.findIndex((row) => row.id === id);
  return (
    <div className="line-rows" role="group" aria-label={label} ref={group}>
      <DragArea onDrop={(row, onto) => onChange(moved(rows, place(row), place(onto)))}>
        <SortableContext items={rows.map((row) => row.id)} strategy={verticalListSortingStrategy}>
          {rows.map((row, at) => (
            <SortableRow key={row.id} id={row.id}>
              {props.before?.(row, at)}
              <input
                className="text"
                aria-label={`${capital(what)} ${at + 1}`}
                placeholder={row.media ? 'What it is, in words' : props.placeholder(at)}
                value={row.text}
                maxLength={longest}
                onChange={(e) => onChange(rows.map((one) => (one === row ? { ...row, text: e.target.value } : one)))}
                onKeyDown={(event) => press(event, at)}
                onPaste={(event) => paste(event, at)}
              />
              {props.after?.(row, at)}
              <RowMedia
                name={`${capital(what)} ${at + 1}`}
                text={row.text}
                longest={longest}
                media={row.media}
                onChange={(media, text) => onChange(rows.map((one) => (one === row ? { ...row, media, text } : one)))}
              />
              <Button
                variant="quiet"
                aria-label={`Take ${what} ${at + 1} out`}
                disabled={rows.length <= least}
                onClick={() => onChange(without(rows, row.id))}
              >
                <X size={15} />
              </Button>
            </SortableRow>
          ))}
        </SortableContext>
      </DragArea>
      <div>
        <Button variant="quiet" disabled={rows.length >= most} onClick={() => add(rows.length)}>
          <Plus size={15} /> {what}
        </Button>
      </div>
      <Trouble>{left > 0 && `${plural(left, 'line was', 'lines were')} left out: there is room for ${most}.`}</Trouble>
    </div>
  );
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

function SortableRow({ id, children }: { id: string; children: ReactNode }) {
  const { setNodeRef, listeners, transform, transition } = useSortable({ id });
  return (
    <div
      className="line-row"
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
    >
      <span className="grip" title="Move by dragging, or with Alt and the arrow keys" {...listeners}>
        <GripVertical size={15} />
      </span>
      {children}
    </div>
  );
}
