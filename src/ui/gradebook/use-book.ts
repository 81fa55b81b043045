'use client';
import { useCallback, useRef, useState } from 'react';
import { putCellsAction } from '@/actions/gradebook';
import type { Proposed } from '@/core/gradebook/bring-in';
import { FINAL } from '@/core/gradebook/book';

import type { BookRow, CellEntry, ColumnView } from '@/server/gradebook/gradebook';
import { oneAtATime } from '../parts/one-at-a-time';
import { refusalText } from '../words/refusals';

/** A row in which something was put. */
function withEntry(row: BookRow, columns: readonly ColumnView[], column: string, last: CellEntry | null): BookRow {
  if (column === FINAL) return { ...row, final: last };
  const at = columns.findIndex((one) => one.column.id === column);
  return {
    ...row,
    cells: row.cells.map((cell, i) => (i === at ? { ...cell, entry: last?.entry ?? null, last } : cell)),
  };
}

/** What stands in a cell by hand; null where nobody has put anything in. */
export function lastIn(row: BookRow | undefined, columns: readonly ColumnView[], column: string): CellEntry | null {
  if (column === FINAL) return row?.final ?? null;
  return row?.cells[columns.findIndex((one) => one.column.id === column)]?.last ?? null;
}

/** The rows of a gradebook while they are written in: a change shows at once, is sent, and is put back where it is refused. */
export function useBook(course: string, initial: readonly BookRow[], columns: readonly ColumnView[]) {
  const [rows, setRows] = useState(initial);
  const latest = useRef(initial);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(0);
  const [past, setPast] = useState<Proposed[][]>([]);
  const [line] = useState(oneAtATime);

  const show = useCallback(
    (entries: ReadonlyMap<string, CellEntry | null>): void => {
      latest.current = latest.current.map((row) =>
        columns
          .map(({ column }) => column.id)
          .concat(FINAL)
          .reduce((next, id) => {
            const key = `${id} ${row.member}`;
            return entries.has(key) ? withEntry(next, columns, id, entries.get(key) ?? null) : next;
          }, row),
      );
      setRows(latest.current);
    },
    [columns],
  );

  const put = useCallback(
    async (changes: readonly Proposed[], reason: string, undoing = false): Promise<boolean> => {
      if (changes.length === 0) return true;
      const rowOf = new Map(latest.current.map((row) => [row.member, row]));
      const before = new Map(
        changes.map(({ column, member }) => [`${column} ${member}`, lastIn(rowOf.get(member), columns, column)]),
      );
      const meant = changes.map(({ column, member, entry }): [string, CellEntry] => [
        `${column} ${member}`,
        { id: before.get(`${column} ${member}`)?.id ?? 0, entry, reason, by: 'you', at: Date.now() },
      ]);
      show(new Map(meant));
      setBusy((n) => n + 1);
      let done = false;
      await line(async () => {
        const now = new Map(latest.current.map((row) => [row.member, row]));
        const sent = changes.map((one) => ({
          ...one,
          base: lastIn(now.get(one.member), columns, one.column)?.id ?? 0,
        }));
        try {
          const result = await putCellsAction({ course, changes: sent, reason });
          if (result.ok) {
            show(
              new Map(changes.map(({ column, member }, i) => [`${column} ${member}`, result.value.entries[i] ?? null])),
            );
            const back = changes.map(({ column, member }) => ({
              column,
              member,
              entry: before.get(`${column} ${member}`)?.entry ?? null,
            }));
            if (!undoing) setPast((all) => [...all, back]);
            setTrouble(null);
            done = true;
            return;
          }
          setTrouble(refusalText(result.refusal));
        } catch {
          setTrouble('This could not be sent and was put back. Look at the connection and type it again.');
        }
        show(before);
      }).finally(() => setBusy((n) => n - 1));
      return done;
    },
    [course, columns, line, show],
  );

  const undo = useCallback(async (): Promise<void> => {
    const back = past.at(-1);
    if (!back) return;
    setPast((all) => all.slice(0, -1));
    if (!(await put(back, 'Taken back', true))) setPast((all) => [...all, back]);
  }, [past, put]);

  return { rows, put, undo, canUndo: past.length > 0, busy: busy > 0, trouble };
}
