import Button from 'react-bootstrap/Button';
import { type Exact, exact, percentOf, round } from '@/core/base/exact';
import type { Book, BookCategory, Keep } from '@/core/gradebook/book';
import { CountInput } from '../parts/CountInput';
import { ExactInput } from '../parts/ExactInput';
import { LineInput } from '../parts/LineInput';
import { PercentInput } from '../parts/PercentInput';
import { RowsTable } from '../parts/RowsTable';
import { AVERAGE_WORDS } from '../words/gradebook';

interface Props {
  book: Book;
  /** The sum of all weights. */
  weights: Exact;
  change: (next: (book: Book) => Book, tag?: string) => void;
}

const KEEP_WORDS: Record<Keep['is'], string> = {
  all: 'all count',
  dropLowest: 'less the lowest',
  best: 'the best',
};

/** Categories, one a row: weight, how its columns are averaged, which of them count, what a pass needs. */
export function CategoryRows({ book, weights, change }: Props) {
  const set = (id: string, next: Partial<BookCategory>, tag = ''): void =>
    change(
      (b) => ({ ...b, categories: b.categories.map((one) => (one.id === id ? { ...one, ...next } : one)) }),
      tag === '' ? '' : `${tag} ${id}`,
    );
  const remove = (id: string): void =>
    change((b) => ({
      ...b,
      categories: b.categories.filter((one) => one.id !== id),
      columns: b.columns.map((column) => (column.category === id ? { ...column, category: null } : column)),
    }));
  return (
    <RowsTable
      rows={book.categories}
      keyOf={({ id }) => id}
      columns={[
        {
          head: 'Name',
          cell: ({ id, name }) => (
            <LineInput label="Name" most={120} value={name} onChange={(next) => next && set(id, { name: next })} />
          ),
        },
        {
          head: 'Weight',
          figure: true,
          cell: ({ id, name, weight }) => (
            <ExactInput
              label={`Weight of ${name}`}
              value={weight}
              onChange={(next) =>
                exact(next).compare(0) >= 0 &&
                exact(next).compare(1_000_000) <= 0 &&
                set(id, { weight: next }, 'weight')
              }
            />
          ),
        },
        {
          head: 'Of the grade',
          figure: true,
          cell: ({ weight }) => <span className="soft">{round(percentOf(exact(weight), weights), 1)} %</span>,
        },
        {
          head: 'Averaged',
          cell: ({ id, name, average }) => (
            <select
              className="form-select form-select-sm"
              aria-label={`How ${name} is averaged`}
              value={average}
              onChange={(e) => set(id, { average: e.target.value === 'percents' ? 'percents' : 'points' })}
            >
              {Object.entries(AVERAGE_WORDS).map(([is, words]) => (
                <option key={is} value={is}>
                  {words}
                </option>
              ))}
            </select>
          ),
        },
        {
          head: 'Which count',
          cell: ({ id, name, keep }) => (
            <span className="d-flex gap-2 align-items-center">
              <select
                className="form-select form-select-sm w-auto"
                aria-label={`Which columns of ${name} count`}
                value={keep.is}
                onChange={(e) => {
                  const is = e.target.value;
                  const n = keep.is === 'all' ? 1 : keep.n;
                  set(id, { keep: is === 'best' || is === 'dropLowest' ? { is, n } : { is: 'all' } });
                }}
              >
                {Object.entries(KEEP_WORDS).map(([is, words]) => (
                  <option key={is} value={is}>
                    {words}
                  </option>
                ))}
              </select>
              {keep.is !== 'all' && (
                <CountInput
                  label={`How many of ${name}`}
                  count={keep.n}
                  least={1}
                  most={50}
                  onChange={(n) => n !== null && set(id, { keep: { ...keep, n } }, 'keep')}
                />
              )}
            </span>
          ),
        },
        {
          head: 'A pass needs',
          cell: ({ id, name, passPercent }) =>
            passPercent === null ? (
              <button type="button" className="btn-link-plain" onClick={() => set(id, { passPercent: '50' })}>
                nothing
              </button>
            ) : (
              <span className="d-flex gap-1 align-items-center">
                <PercentInput
                  label={`Percent of ${name} that a pass needs`}
                  value={passPercent}
                  onChange={(next) => set(id, { passPercent: next }, 'pass')}
                />
                <Button
                  variant="quiet"
                  size="sm"
                  aria-label={`${name} needs no pass of its own`}
                  onClick={() => set(id, { passPercent: null })}
                >
                  ×
                </Button>
              </span>
            ),
        },
        {
          head: 'Take it out',
          headless: true,
          cell: ({ id, name }) => (
            <Button variant="quiet" size="sm" aria-label={`Remove ${name}`} onClick={() => remove(id)}>
              ×
            </Button>
          ),
        },
      ]}
    />
  );
}
