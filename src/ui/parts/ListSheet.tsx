import Link from 'next/link';
import type { ReactNode } from 'react';
import { ListKeys } from './ListKeys';

export interface Column<Row> {
  head: string;
  cell: (row: Row) => ReactNode;
  /** Figures stand at the right. */
  figure?: boolean;
}

/** Things of one sort on one sheet: the first column leads to the thing, the others tell about it. */
export function ListSheet<Row>({
  rows,
  keyOf,
  title,
  href,
  text,
  columns,
  empty,
}: {
  rows: readonly Row[];
  keyOf: (row: Row) => string;
  /** What the things are. */
  title: string;
  href: (row: Row) => string;
  text: (row: Row) => string;
  columns: readonly Column<Row>[];
  /** Said when there is nothing: where the first one comes from. */
  empty: string;
}) {
  const look = (column: Column<Row>): string | undefined => (column.figure ? 'num' : undefined);
  return (
    <div className="page">
      <div className="list-sheet scroll-x">
        <ListKeys />
        <table className="rows">
          <thead>
            <tr>
              <th scope="col">{title}</th>
              {columns.map((column) => (
                <th key={column.head} scope="col" className={look(column)}>
                  {column.head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={keyOf(row)}>
                <td>
                  <Link className="title" href={href(row)}>
                    {text(row)}
                  </Link>
                </td>
                {columns.map((column) => (
                  <td key={column.head} className={look(column)}>
                    {column.cell(row)}
                  </td>
                ))}
              </tr>
            ))}
            {rows.length === 0 && (
              <tr>
                <td colSpan={columns.length + 1} className="text-center p-4">
                  {empty}
                </td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
    </div>
  );
}
