'use client';
import Button from 'react-bootstrap/Button';
import type { Proposal } from '@/core/gradebook/bring-in';
import type { BookRow, ColumnView } from '@/server/gradebook/gradebook';
import { Dialog } from '../parts/Dialog';
import { RowsTable } from '../parts/RowsTable';
import { entryText } from '../words/gradebook';
import { plural } from '../words/marks';
import { LeftOut } from './LeftOut';
import { shownEntry } from './shown-entry';

interface Props {
  proposal: Proposal;
  rows: readonly BookRow[];
  columns: readonly ColumnView[];
  onTake: () => void;
  onClose: () => void;
}

/** So many rows of a list are shown; the rest is counted. */
const MOST_SHOWN = 200;

/** What a pasted block or a file would change, cell by cell, before it does. */
export function ProposalDialog({ proposal: { changes, bad }, rows, columns, onTake, onClose }: Props) {
  const rowOf = new Map(rows.map((row) => [row.member, row]));
  const indexOf = new Map(columns.map(({ column }, i) => [column.id, i]));
  const was = (member: string, column: string): string => {
    const at = indexOf.get(column) ?? -1;
    const [cell, facts] = [rowOf.get(member)?.cells[at], columns[at]];
    return (cell && facts && shownEntry(cell, facts, 'marks')) || 'nothing';
  };
  return (
    <Dialog
      title="What changes"
      size="xl"
      onClose={onClose}
      acts={
        <Button disabled={changes.length === 0} onClick={onTake}>
          {changes.length === 0 ? 'Nothing changes' : `Change ${plural(changes.length, 'cell')}`}
        </Button>
      }
    >
      <LeftOut bad={bad} what="cell" />
      <RowsTable
        rows={changes.slice(0, MOST_SHOWN)}
        keyOf={({ member, column }) => `${member} ${column}`}
        empty="Everything stands there already."
        columns={[
          { head: 'Student', cell: ({ member }) => rowOf.get(member)?.name ?? '' },
          { head: 'Column', cell: ({ column }) => columns[indexOf.get(column) ?? -1]?.title ?? '' },
          { head: 'From', figure: true, cell: ({ member, column }) => was(member, column) },
          { head: 'To', figure: true, cell: ({ entry }) => <strong>{entryText(entry)}</strong> },
        ]}
      />
      {changes.length > MOST_SHOWN && <p className="soft">and {changes.length - MOST_SHOWN} more</p>}
    </Dialog>
  );
}
