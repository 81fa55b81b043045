'use client';
import { Link } from '../parts/Link';
import { useCallback, useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import { saveBookAction } from '@/actions/gradebook';
import { exact, shown, sum } from '@/core/base/exact';
import { type Book, type BookColumn, bookFindings } from '@/core/gradebook/book';
import { gradeRow } from '@/core/gradebook/row';
import type { Gradebook } from '@/server/gradebook/gradebook';
import { Strip } from '../frame/Strip';
import { CheckLine } from '../parts/CheckLine';
import { SavedState } from '../parts/SavedState';
import { UndoRedo } from '../parts/UndoRedo';
import { useAutosave } from '../parts/use-autosave';
import { useHistory } from '../parts/use-history';
import { findingText } from '../words/findings';
import { plural } from '../words/marks';
import { CategoryRows } from './CategoryRows';
import { ColumnRows } from './ColumnRows';
import { ScaleRows } from './ScaleRows';
import './gradebook.scss';

/** How the final grade of a course comes about: categories, columns, the scale; and beside it whose grade moves. */
export function BookRules({ gradebook }: { gradebook: Gradebook }) {
  const { course, columns, rows, policy, usual, signed } = gradebook;
  const { present: book, change, ...history } = useHistory<Book>(gradebook.book);
  const save = useCallback(
    (value: Book, base: number) => saveBookAction({ course: course.id, base, book: value }),
    [course.id],
  );
  const { state } = useAutosave({
    key: `zonda-book-${course.id}`,
    value: book,
    version: gradebook.version,
    savedAt: 0,
    save,
    bringBack: change,
  });
  const findings = bookFindings(book);
  const factsOf = useMemo(() => new Map(columns.map((facts) => [facts.column.id, facts])), [columns]);
  const titleOf = (column: BookColumn): string =>
    column.from.is === 'hand' ? column.from.title : (factsOf.get(column.id)?.title ?? '');
  const moved = useMemo(() => {
    const before = { book: gradebook.book, policy, columns };
    const now = {
      book,
      policy: { ...policy, grades: book.grades ?? usual.grades, passPercent: book.passPercent ?? usual.passPercent },
      columns: book.columns.map((column) => {
        const facts = factsOf.get(column.id);
        return {
          column,
          of: column.from.is === 'hand' ? column.from.of : (facts?.of ?? null),
          due: facts?.due ?? false,
        };
      }),
    };
    const nothing = { score: null, entry: null };
    return rows.flatMap((row) => {
      const was = gradeRow(before, row.cells, row.final.entry).stands;
      const cells = book.columns.map(
        (column) => row.cells[columns.findIndex((one) => one.column.id === column.id)] ?? nothing,
      );
      const is = gradeRow(now, cells, row.final.entry).stands;
      const text = (grade: typeof was): string => (grade ? `${grade.shown} ${grade.grade ?? ''}`.trim() : 'nothing');
      return text(was) === text(is) ? [] : [{ name: row.name, was: text(was), is: text(is) }];
    });
  }, [gradebook.book, book, policy, usual, columns, rows, factsOf]);
  const weights = sum(book.categories.map(({ weight }) => exact(weight)));
  return (
    <>
      <Strip
        where={{ href: `/gradebook/${course.id}`, name: `${course.code}, gradebook` }}
        title="How grades come about"
        state={signed ? 'signed off: nothing can be changed' : undefined}
      >
        <SavedState state={state} />
        <UndoRedo {...history} />
        <Link className="btn btn-outline-primary" href={`/gradebook/${course.id}`}>
          To the marks
        </Link>
      </Strip>
      <fieldset className="split with-margin book-rules" disabled={signed !== null}>
        <div>
          <section className="sheet plain mb-3 scroll-x" aria-labelledby="categories">
            <h2 id="categories" className="fs-6 fw-bold">
              Categories
            </h2>
            {book.categories.length === 0 ? (
              <p>No category: all columns that count are added up, marks over maxima.</p>
            ) : (
              <CategoryRows book={book} weights={weights} change={change} />
            )}
            <Button
              variant="outline-primary"
              size="sm"
              onClick={() =>
                change((b) => ({
                  ...b,
                  categories: [
                    ...b.categories,
                    {
                      id: crypto.randomUUID(),
                      name: `Category ${b.categories.length + 1}`,
                      weight: String(Math.max(0, 100 - weights.valueOf())),
                      average: 'points',
                      keep: { is: 'all' },
                      passPercent: null,
                    },
                  ],
                }))
              }
            >
              Add a category
            </Button>
          </section>
          <section className="sheet plain mb-3 scroll-x" aria-labelledby="columns">
            <h2 id="columns" className="fs-6 fw-bold">
              Columns
            </h2>
            <ColumnRows book={book} titleOf={titleOf} factsOf={factsOf} findings={findings} change={change} />
            <Button
              variant="outline-primary"
              size="sm"
              onClick={() =>
                change((b) => ({
                  ...b,
                  columns: [
                    ...b.columns,
                    {
                      id: crypto.randomUUID(),
                      from: { is: 'hand', title: `Column ${b.columns.length + 1}`, of: '10' },
                      category: b.categories[0]?.id ?? null,
                      counts: true,
                      extra: false,
                      missing: 'not yet',
                      replacedBy: null,
                    },
                  ],
                }))
              }
            >
              Add a column by hand
            </Button>
          </section>
          <section className="sheet plain" aria-labelledby="scale">
            <h2 id="scale" className="fs-6 fw-bold">
              Scale
            </h2>
            <ScaleRows book={book} usual={usual} change={change} />
          </section>
        </div>
        <aside className="margin" aria-label="What it does">
          <h2>What it does</h2>
          {findings
            .filter(({ at }) => at[0] !== 'columns')
            .map((finding) => (
              <p
                key={`${finding.code} ${finding.at.join(' ')}`}
                className={`note ${finding.weight === 'stops' ? 'wrong' : 'hand'}`}
              >
                {finding.at[0] === 'categories' && typeof finding.at[1] === 'number'
                  ? `${book.categories[finding.at[1]]?.name}: `
                  : ''}
                {findingText(finding)}
              </p>
            ))}
          <div className="note">
            <h3>Since this page was opened</h3>
            {moved.length === 0 ? (
              <p className="mb-0">No grade has moved.</p>
            ) : (
              <details>
                <summary>{plural(moved.length, 'grade has', 'grades have')} moved</summary>
                {moved.map(({ name, was, is }, i) => (
                  <p key={i} className="mb-0" dir="auto">
                    {name}: {was} → <strong>{is}</strong>
                  </p>
                ))}
              </details>
            )}
          </div>
          <div className="note">
            <h3>Students</h3>
            <CheckLine checked={book.studentsRead} onChange={(studentsRead) => change((b) => ({ ...b, studentsRead }))}>
              read their own row: released results, what is put in by hand at once, and how it makes the grade
            </CheckLine>
          </div>
          {book.passPercent !== null && <p className="soft">Pass mark {shown(exact(book.passPercent), 3)} %.</p>}
        </aside>
      </fieldset>
    </>
  );
}
