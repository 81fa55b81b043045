import { Link } from './Link';
import { ListKeys } from './ListKeys';
import { type Column, RowsTable } from './RowsTable';

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
  const leads: Column<Row> = {
    head: title,
    cell: (row) => (
      <Link className="title" href={href(row)}>
        {text(row)}
      </Link>
    ),
  };
  return (
    <div className="page">
      <div className="list-sheet scroll-x">
        <ListKeys />
        <RowsTable rows={rows} keyOf={keyOf} columns={[leads, ...columns]} empty={empty} />
      </div>
    </div>
  );
}
