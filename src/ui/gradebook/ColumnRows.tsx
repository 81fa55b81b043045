import Button from 'react-bootstrap/Button';
import { exact, shown } from '@/core/base/exact';
import type { Finding } from '@/core/base/finding';
import type { Book, BookColumn } from '@/core/gradebook/book';
import type { ColumnView } from '@/server/gradebook/gradebook';
import { LineInput } from '../parts/LineInput';
import { MarksInput } from '../parts/MarksInput';
import { RowsTable } from '../parts/RowsTable';
import { findingText } from '../words/findings';

interface Props {
  book: Book;
  titleOf: (column: BookColumn) => string;
  factsOf: ReadonlyMap<string, ColumnView>;
  findings: readonly Finding[];
  change: (next: (book: Book) => Book, tag?: string) => void;
}

/** Columns, one a row: category, whether it counts or comes on top, what missing marks are, what stands in its place. */
export function ColumnRows({ book, titleOf, factsOf, findings, change }: Props) {
  const set = (id: string, next: Partial<BookColumn>, tag = ''): void =>
    change(
      (b) => ({ ...b, columns: b.columns.map((one) => (one.id === id ? { ...one, ...next } : one)) }),
      tag === '' ? '' : `${tag} ${id}`,
    );
  const remove = (id: string): void =>
    change((b) => ({
      ...b,
      columns: b.columns
        .filter((one) => one.id !== id)
        .map((one) => (one.replacedBy?.column === id ? { ...one, replacedBy: null } : one)),
    }));
  const move = (id: string, by: number): void =>
    change((b) => {
      const at = b.columns.findIndex((one) => one.id === id);
      const [moved] = b.columns.slice(at, at + 1);
      if (!moved || at + by < 0 || at + by >= b.columns.length) return b;
      const rest = b.columns.filter((one) => one.id !== id);
      return { ...b, columns: [...rest.slice(0, at + by), moved, ...rest.slice(at + by)] };
    });
  return (
    <RowsTable
      rows={book.columns}
      keyOf={({ id }) => id}
      empty="Columns come with the sittings of the course, or are added by hand."
      columns={[
        {
          head: 'Column',
          cell: (column) => {
            const { id, from } = column;
            const wrong = findings.filter(({ at }) => at[0] === 'columns' && book.columns[Number(at[1])]?.id === id);
            return (
              <>
                {from.is === 'hand' ? (
                  <LineInput
                    label="Title"
                    most={120}
                    value={from.title}
                    onChange={(title) => title && set(id, { from: { ...from, title } })}
                  />
                ) : (
                  titleOf(column)
                )}
                {wrong.map((finding) => (
                  <span key={finding.code} className={`d-block ${finding.weight === 'stops' ? 'wrong' : 'hand'}`}>
                    {findingText(finding)}
                  </span>
                ))}
              </>
            );
          },
        },
        {
          head: 'Of',
          figure: true,
          cell: (column) => {
            const { id, from } = column;
            const of = factsOf.get(id)?.of ?? null;
            return from.is === 'hand' ? (
              <MarksInput
                label={`Marks of ${from.title}`}
                marks={from.of}
                onChange={(next) => set(id, { from: { ...from, of: next } }, 'of')}
              />
            ) : of === null ? (
              ''
            ) : (
              shown(exact(of))
            );
          },
        },
        {
          head: 'Category',
          cell: (column) => (
            <select
              className="form-select form-select-sm"
              aria-label={`Category of ${titleOf(column)}`}
              value={column.category ?? ''}
              onChange={(e) => set(column.id, { category: e.target.value === '' ? null : e.target.value })}
            >
              <option value="">none</option>
              {book.categories.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          ),
        },
        {
          head: 'Counts',
          cell: (column) => (
            <select
              className="form-select form-select-sm"
              aria-label={`How ${titleOf(column)} counts`}
              value={!column.counts ? 'outside' : column.extra ? 'extra' : 'counts'}
              onChange={(e) =>
                set(column.id, { counts: e.target.value !== 'outside', extra: e.target.value === 'extra' })
              }
            >
              <option value="counts">counts</option>
              <option value="extra">on top</option>
              <option value="outside">outside</option>
            </select>
          ),
        },
        {
          head: 'Missing is',
          cell: (column) => (
            <select
              className="form-select form-select-sm"
              aria-label={`What missing marks of ${titleOf(column)} are`}
              value={column.missing}
              onChange={(e) => set(column.id, { missing: e.target.value === 'zero' ? 'zero' : 'not yet' })}
            >
              <option value="not yet">not yet</option>
              <option value="zero">zero</option>
            </select>
          ),
        },
        {
          head: 'Replaced by',
          cell: (column) => (
            <span className="d-flex gap-1">
              <select
                className="form-select form-select-sm"
                aria-label={`What replaces ${titleOf(column)}`}
                value={column.replacedBy?.column ?? ''}
                onChange={(e) =>
                  set(column.id, {
                    replacedBy:
                      e.target.value === ''
                        ? null
                        : { column: e.target.value, when: column.replacedBy?.when ?? 'better' },
                  })
                }
              >
                <option value="">nothing</option>
                {book.columns
                  .filter(({ id }) => id !== column.id)
                  .map((one) => (
                    <option key={one.id} value={one.id}>
                      {titleOf(one)}
                    </option>
                  ))}
              </select>
              {column.replacedBy && (
                <select
                  className="form-select form-select-sm w-auto"
                  aria-label={`When ${titleOf(column)} is replaced`}
                  value={column.replacedBy.when}
                  onChange={(e) =>
                    column.replacedBy &&
                    set(column.id, {
                      replacedBy: { ...column.replacedBy, when: e.target.value === 'always' ? 'always' : 'better' },
                    })
                  }
                >
                  <option value="better">if better</option>
                  <option value="always">always</option>
                </select>
              )}
            </span>
          ),
        },
        {
          head: 'Move it, take it out',
          headless: true,
          cell: (column) => (
            <span className="d-flex">
              <Button
                variant="quiet"
                size="sm"
                aria-label={`${titleOf(column)} further up`}
                onClick={() => move(column.id, -1)}
              >
                ↑
              </Button>
              <Button
                variant="quiet"
                size="sm"
                aria-label={`${titleOf(column)} further down`}
                onClick={() => move(column.id, 1)}
              >
                ↓
              </Button>
              {column.from.is === 'hand' && (
                <Button
                  variant="quiet"
                  size="sm"
                  aria-label={`Remove ${titleOf(column)}`}
                  onClick={() => remove(column.id)}
                >
                  ×
                </Button>
              )}
            </span>
          ),
        },
      ]}
    />
  );
}
