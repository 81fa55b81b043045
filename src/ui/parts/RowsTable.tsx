import type { ReactNode } from 'react';

export interface Column<Row> {
  head: string;
  cell: (row: Row) => ReactNode;
  /** Figures stand at the right. */
  figure?: boolean;
  /** The head is read aloud, not shown: what stands below says itself what it does. */
  headless?: boolean;
}

interface Props<Row> {
  rows: readonly Row[];
  keyOf: (row: Row) => string;
  /** The first column is what the rows are. */
  columns: readonly Column<Row>[];
  caption?: string;
  /** Said when there is nothing. */
  empty?: ReactNode;
}

/** Things of one sort, one a row, on a white surface. */
export function RowsTable<Row>({ rows, keyOf, columns, caption, empty }: Props<Row>) {
  const look = (column: Column<Row>): string | undefined => (column.figure ? 'num' : undefined);
  return (
    <table className="rows">
      {caption && <caption>{caption}</caption>}
      <thead>
        <tr>
          {columns.map((column, i) => (
            <th key={i} scope="col" className={look(column)}>
              {column.headless ? <span className="visually-hidden">{column.head}</span> : column.head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={keyOf(row)}>
            {columns.map((column, i) => (
              <td key={i} className={look(column)}>
                {column.cell(row)}
              </td>
            ))}
          </tr>
        ))}
        {rows.length === 0 && empty !== undefined && (
          <tr>
            <td colSpan={columns.length} className="text-center p-4">
              {empty}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
