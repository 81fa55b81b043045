'use client';
import { useCallback, useRef, useState } from 'react';
import { putCellsAction } from '@/actions/gradebook';
import { FINAL } from '@/core/gradebook/book';
import type { Proposed } from '@/core/gradebook/bring-in';
import type { BookCell, BookRow, ColumnView } from '@/server/gradebook/gradebook';
import { oneAtATime } from '../parts/one-at-a-time';
import { useAskedBeforeLeaving } from '../parts/use-asked-before-leaving';
import { refusalText } from '../words/refusals';
import { notReached, replyTo } from '../parts/reply-to';

/** What was put into a cell last, and its place in the history. */
type Last = Pick<BookCell, 'entry' | 'last'>;
/** What is put into a cell; its place in the history follows when it is kept. */
type Put = Pick<Proposed, 'member' | 'column' | 'entry'> & Partial<Pick<Last, 'last'>>;

/** A row in which something was put. */
function withEntry(row: BookRow, columns: readonly ColumnView[], { column, entry, last }: Put): BookRow {
  const put = last === undefined ? { entry } : { entry, last };
  if (column === FINAL) return { ...row, final: { ...row.final, ...put } };
  const at = columns.findIndex((one) => one.column.id === column);
  return { ...row, cells: row.cells.map((cell, i) => (i === at ? { ...cell, ...put } : cell)) };
}

/** Rows in which cells were put; those without any stay what they were. */
function withPut(rows: readonly BookRow[], columns: readonly ColumnView[], cells: readonly Put[]): readonly BookRow[] {
  const byMember = new Map<string, Put[]>();
  for (const cell of cells) byMember.set(cell.member, [...(byMember.get(cell.member) ?? []), cell]);
  return rows.map((row) => (byMember.get(row.member) ?? []).reduce((next, put) => withEntry(next, columns, put), row));
}

/** What stands by hand in cells, in their order. */
function standing(
  rows: readonly BookRow[],
  columns: readonly ColumnView[],
  cells: readonly Pick<Put, 'member' | 'column'>[],
): Last[] {
  const rowOf = new Map(rows.map((row) => [row.member, row]));
  const placeOf = new Map(columns.map((one, i) => [one.column.id, i]));
  return cells.map(({ member, column }) => {
    const row = rowOf.get(member);
    const cell = column === FINAL ? row?.final : row?.cells[placeOf.get(column) ?? -1];
    return { entry: cell?.entry ?? null, last: cell?.last ?? 0 };
  });
}

/**
 * The rows of a gradebook while they are written in: what is kept, and over it, in their order, the changes that are on
 * their way. A change shows at once; where it is refused, what was kept shows again.
 */
export function useBook(course: string, initial: readonly BookRow[], columns: readonly ColumnView[]) {
  const [rows, setRows] = useState(initial);
  const kept = useRef(initial);
  const onTheirWay = useRef<(readonly Proposed[])[]>([]);
  const latest = useRef(initial);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // What a step back would put, the last step last; a hasty hand takes steps back before they have arrived.
  const past = useRef<Proposed[][]>([]);
  const [steps, setSteps] = useState(0);
  const [line] = useState(oneAtATime);
  useAskedBeforeLeaving(busy);

  const setOnTheirWay = useCallback(
    (all: (readonly Proposed[])[]): void => {
      onTheirWay.current = all;
      latest.current = all.reduce((now, changes) => withPut(now, columns, changes), kept.current);
      setRows(latest.current);
      setBusy(all.length > 0);
    },
    [columns],
  );

  const setPast = useCallback((all: Proposed[][]): void => {
    past.current = all;
    setSteps(all.length);
  }, []);

  const put = useCallback(
    async (changes: readonly Proposed[], reason: string, undoing = false): Promise<boolean> => {
      if (changes.length === 0) return true;
      const before = standing(latest.current, columns, changes);
      const step = changes.map(({ column, member }, i) => ({ column, member, entry: before[i]?.entry ?? null }));
      if (!undoing) setPast([...past.current, step]);
      setOnTheirWay([...onTheirWay.current, changes]);
      let done = false;
      await line(async () => {
        const now = standing(kept.current, columns, changes);
        const sent = changes.map((change, i) => ({ ...change, base: now[i]?.last ?? 0 }));
        const result = await replyTo(putCellsAction({ course, changes: sent, reason }));
        if (result.ok) {
          const { entries } = result.value;
          kept.current = withPut(
            kept.current,
            columns,
            changes.map((change, i) => ({ ...change, last: entries[i] ?? 0 })),
          );
          setTrouble(null);
          done = true;
          return;
        }
        setTrouble(
          notReached(result)
            ? 'This could not be sent and was put back. Look at the connection and type it again.'
            : refusalText(result.refusal),
        );
        setPast(past.current.filter((one) => one !== step));
      }).finally(() => setOnTheirWay(onTheirWay.current.filter((one) => one !== changes)));
      return done;
    },
    [columns, course, line, setOnTheirWay, setPast],
  );

  const undo = useCallback(async (): Promise<void> => {
    const back = past.current.at(-1);
    if (!back) return;
    setPast(past.current.slice(0, -1));
    if (!(await put(back, 'Taken back', true))) setPast([...past.current, back]);
  }, [put, setPast]);

  return { rows, put, undo, canUndo: steps > 0, busy, trouble };
}
