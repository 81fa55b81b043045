'use client';
import { useCallback, useRef, useState } from 'react';
import { putCellsAction } from '@/actions/gradebook';
import { FINAL } from '@/core/gradebook/book';
import type { Proposed } from '@/core/gradebook/bring-in';
import type { BookCell, BookRow, ColumnView } from '@/server/gradebook/gradebook';
import { oneAtATime } from '../parts/one-at-a-time';
import { useAskedBeforeLeaving } from '../parts/use-asked-before-leaving';
import { refusalText } from '../words/refusals';

/** What was put into a cell last, and its place in the history. */
type Last = Pick<BookCell, 'entry' | 'last'>;

/** A row in which something was put. */
function withEntry(row: BookRow, columns: readonly ColumnView[], column: string, last: Last): BookRow {
  if (column === FINAL) return { ...row, final: last };
  const at = columns.findIndex((one) => one.column.id === column);
  return { ...row, cells: row.cells.map((cell, i) => (i === at ? { ...cell, ...last } : cell)) };
}

/** What stands in a cell by hand. */
export function lastIn(row: BookRow | undefined, columns: readonly ColumnView[], column: string): Last {
  const cell = column === FINAL ? row?.final : row?.cells[columns.findIndex((one) => one.column.id === column)];
  return { entry: cell?.entry ?? null, last: cell?.last ?? 0 };
}

/** The rows of a gradebook while they are written in: a change shows at once, is sent, and is put back where it is refused. */
export function useBook(course: string, initial: readonly BookRow[], columns: readonly ColumnView[]) {
  const [rows, setRows] = useState(initial);
  const latest = useRef(initial);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(0);
  // What a step back would put, the last step last; a hasty hand takes steps back before they have arrived.
  const past = useRef<Proposed[][]>([]);
  const [steps, setSteps] = useState(0);
  const [line] = useState(oneAtATime);
  useAskedBeforeLeaving(busy > 0);

  /** Shows cells as they are to be; rows without any stay what they were. */
  const show = useCallback(
    (cells: readonly (Last & Pick<Proposed, 'member' | 'column'>)[]): void => {
      const byMember = new Map<string, typeof cells>();
      for (const cell of cells) byMember.set(cell.member, [...(byMember.get(cell.member) ?? []), cell]);
      latest.current = latest.current.map((row) =>
        (byMember.get(row.member) ?? []).reduce(
          (next, { column, entry, last }) => withEntry(next, columns, column, { entry, last }),
          row,
        ),
      );
      setRows(latest.current);
    },
    [columns],
  );

  const standing = useCallback(
    (changes: readonly Proposed[]) => {
      const rowOf = new Map(latest.current.map((row) => [row.member, row]));
      return changes.map(({ column, member }) => ({
        column,
        member,
        ...lastIn(rowOf.get(member), columns, column),
      }));
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
      const before = standing(changes);
      const step = before.map(({ column, member, entry }) => ({ column, member, entry }));
      if (!undoing) setPast([...past.current, step]);
      show(changes.map((change, i) => ({ ...change, last: before[i]?.last ?? 0 })));
      setBusy((n) => n + 1);
      let done = false;
      await line(async () => {
        const now = standing(changes);
        const sent = changes.map((change, i) => ({ ...change, base: now[i]?.last ?? 0 }));
        try {
          const result = await putCellsAction({ course, changes: sent, reason });
          if (result.ok) {
            show(changes.map((change, i) => ({ ...change, last: result.value.entries[i] ?? 0 })));
            setTrouble(null);
            done = true;
            return;
          }
          setTrouble(refusalText(result.refusal));
        } catch {
          setTrouble('This could not be sent and was put back. Look at the connection and type it again.');
        }
        show(before);
        setPast(past.current.filter((one) => one !== step));
      }).finally(() => setBusy((n) => n - 1));
      return done;
    },
    [course, line, setPast, show, standing],
  );

  const undo = useCallback(async (): Promise<void> => {
    const back = past.current.at(-1);
    if (!back) return;
    setPast(past.current.slice(0, -1));
    if (!(await put(back, 'Taken back', true))) setPast([...past.current, back]);
  }, [put, setPast]);

  return { rows, put, undo, canUndo: steps > 0, busy: busy > 0, trouble };
}
