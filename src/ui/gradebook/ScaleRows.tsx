import Button from 'react-bootstrap/Button';
import { exact } from '@/core/base/exact';
import type { Book } from '@/core/gradebook/book';
import { type ScaleName, SCALES } from '@/core/gradebook/scales';
import type { GradeStep } from '@/core/results/policy';
import type { Gradebook } from '@/server/gradebook/gradebook';
import { LineInput } from '../parts/LineInput';
import { PercentInput } from '../parts/PercentInput';

interface Props {
  book: Book;
  usual: Gradebook['usual'];
  change: (next: (book: Book) => Book, tag?: string) => void;
}

const SCALE_WORDS: Record<ScaleName, string> = {
  letters: 'letters',
  six: 'six to one',
  merit: 'merit',
  pass: 'passed or not',
};

/** The scale of a book: the department's, or its own steps, begun from one of several. */
export function ScaleRows({ book, usual, change }: Props) {
  const steps = book.grades;
  const set = (at: number, next: Partial<GradeStep>, tag = ''): void =>
    change(
      (b) => ({ ...b, grades: b.grades?.map((step, i) => (i === at ? { ...step, ...next } : step)) ?? null }),
      tag,
    );
  return (
    <>
      <div className="d-flex gap-3 align-items-center flex-wrap mb-2">
        <select
          className="form-select w-auto"
          aria-label="Scale"
          value={steps === null ? 'department' : 'own'}
          onChange={(e) => {
            const name = e.target.value;
            if (name === 'department') change((b) => ({ ...b, grades: null }));
            else if (name in SCALES) change((b) => ({ ...b, grades: [...SCALES[name as ScaleName]] }));
          }}
        >
          <option value="department">the department’s: {usual.grades.map(({ grade }) => grade).join(' ')}</option>
          {steps !== null && <option value="own">its own</option>}
          {Object.entries(SCALE_WORDS).map(([name, words]) => (
            <option key={name} value={name}>
              begin from {words}
            </option>
          ))}
        </select>
        <span className="d-flex gap-2 align-items-center">
          Pass mark
          <PercentInput
            label="Pass mark of the course"
            value={book.passPercent ?? usual.passPercent}
            onChange={(passPercent) => change((b) => ({ ...b, passPercent }), 'pass')}
          />
          {book.passPercent !== null && (
            <button
              type="button"
              className="btn-link-plain"
              onClick={() => change((b) => ({ ...b, passPercent: null }))}
            >
              as the department has it
            </button>
          )}
        </span>
      </div>
      {steps?.map((step, i) => {
        const [below, above] = [steps[i - 1], steps[i + 1]];
        return (
          <div key={i} className="d-flex gap-2 align-items-center mb-1">
            <span style={{ width: 180 }}>
              <LineInput
                label={`Grade ${i + 1}`}
                most={30}
                value={step.grade}
                onChange={(grade) => grade && set(i, { grade })}
              />
            </span>
            from
            {i === 0 ? (
              '0 %'
            ) : (
              <PercentInput
                label={`Lower edge of ${step.grade}`}
                value={step.from}
                fits={(percent) =>
                  exact(percent).compare(exact(below?.from ?? '0')) > 0 &&
                  (!above || exact(percent).compare(exact(above.from)) < 0)
                }
                why="between its neighbours"
                onChange={(from) => set(i, { from }, `step ${i}`)}
              />
            )}
            {i > 0 && (
              <Button
                variant="quiet"
                size="sm"
                aria-label={`Remove ${step.grade}`}
                onClick={() => change((b) => ({ ...b, grades: b.grades?.filter((_, n) => n !== i) ?? null }))}
              >
                ×
              </Button>
            )}
          </div>
        );
      })}
      {steps !== null && steps.length < 20 && exact(steps.at(-1)?.from ?? '0').compare(99) < 0 && (
        <Button
          variant="outline-primary"
          size="sm"
          onClick={() =>
            change((b) => {
              const last = exact(b.grades?.at(-1)?.from ?? '0');
              const from = last.add(100).div(2).round(0).toString();
              return { ...b, grades: [...(b.grades ?? []), { from, grade: `Grade ${(b.grades?.length ?? 0) + 1}` }] };
            })
          }
        >
          Add a grade above
        </Button>
      )}
    </>
  );
}
