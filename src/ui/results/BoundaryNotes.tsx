'use client';
import { Link } from '../parts/Link';
import { exact, shown } from '@/core/base/exact';
import { type Boundaries, boundariesReadiness, withPassMark } from '@/core/results/policy';
import type { Results } from '@/server/results/results';
import { findingText } from '../words/findings';
import { PercentInput } from '../parts/PercentInput';
import { EdgeMoves } from './EdgeMoves';
import { passes } from './outcome';
import { PartBoundaries } from './PartBoundaries';

interface Props {
  results: Results;
  boundaries: Boundaries;
  change: (next: (b: Boundaries) => Boundaries, tag?: string) => void;
}

/** What the boundaries mean, and what would change if the pass mark moved a little. */
export function BoundaryNotes({ results, boundaries, change }: Props) {
  const pass = exact(boundaries.passPercent);
  const passing = (percent: string) =>
    results.rows.filter((r) => passes(r, results, percent, boundaries)).map(({ name }) => name);
  const now = passing(boundaries.passPercent);
  const moves = [-2, 2].flatMap((step) => {
    const moved = pass.add(step);
    if (moved.compare(0) < 0 || moved.compare(100) > 0) return [];
    const percent = shown(moved, 3);
    const then = passing(percent);
    const names = step < 0 ? then.filter((name) => !now.includes(name)) : now.filter((name) => !then.includes(name));
    return [{ percent, names, more: step < 0 }];
  });
  const failedByPart = results.rows.filter(
    (r) => exact(r.percent).compare(pass) >= 0 && !passes(r, results, boundaries.passPercent, boundaries),
  ).length;
  return (
    <aside className="margin" aria-label="Boundaries">
      <h2>Boundaries</h2>
      <div className="note on red">
        <h3>
          Pass mark
          <span className="ms-auto">
            <PercentInput
              label="Pass mark"
              value={boundaries.passPercent}
              onChange={(passPercent) => change((b) => withPassMark(b, passPercent), 'pass')}
            />
          </span>
        </h3>
        <p>
          {results.total === null
            ? 'Papers differ in their marks; the percent decides.'
            : `${shown(pass.mul(exact(results.total)).div(100))} of ${results.total} marks.`}{' '}
          Drag the red line, or type it.
        </p>
        {moves.map(({ percent, names, more }) =>
          names.length === 0 ? (
            <p key={percent} className="soft mb-0">
              At {percent} %: the same pass.
            </p>
          ) : (
            <details key={percent} className="soft">
              <summary className="py-1">
                At {percent} %: {names.length} {more ? 'more' : 'fewer'} pass.
              </summary>
              {names.join(', ')}
            </details>
          ),
        )}
        <p>
          <Link className="d-inline-block py-1" href={`/sittings/${results.sitting}/pass-mark`}>
            Judges, reasons, history
          </Link>
        </p>
      </div>
      <PartBoundaries results={results} boundaries={boundaries} missed={failedByPart} change={change} />
      <div className="note">
        <h3>
          Feedback ranges <span className="end">{boundaries.ranges.length}</span>
        </h3>
        <p>
          No gaps, no overlaps.{' '}
          {results.rounding.first
            ? `Rounded to ${results.rounding.places} decimals first, then decided.`
            : `Decided on exact scores, shown to ${results.rounding.places} decimal${results.rounding.places === 1 ? '' : 's'}.`}
        </p>
        {boundaries.ranges.length > 1 && <EdgeMoves results={results} boundaries={boundaries} list="ranges" />}
      </div>
      {boundaries.grades.length > 0 && (
        <div className="note">
          <h3>Grade scale</h3>
          <div className="fact-line">
            {boundaries.grades.map((g, i) => {
              const [below, above] = [boundaries.grades[i - 1], boundaries.grades[i + 1]];
              return (
                <span key={i} className="w-100 fact-line">
                  <strong>{g.grade}</strong> from{' '}
                  {i === 0 ? (
                    '0 %'
                  ) : (
                    <PercentInput
                      label={`Lower edge of grade ${g.grade}`}
                      value={g.from}
                      fits={(percent) =>
                        exact(percent).compare(exact(below?.from ?? '0')) > 0 &&
                        (!above || exact(percent).compare(exact(above.from)) < 0)
                      }
                      why="between its neighbours"
                      onChange={(from) =>
                        change(
                          (b) => ({ ...b, grades: b.grades.map((step, n) => (n === i ? { ...step, from } : step)) }),
                          `grade ${i}`,
                        )
                      }
                    />
                  )}
                </span>
              );
            })}
          </div>
          {boundaries.grades.length > 1 && <EdgeMoves results={results} boundaries={boundaries} list="grades" />}
          {boundariesReadiness(boundaries)
            .filter((f) => f.at[0] === 'grades')
            .map((f, i) => (
              <p key={i} className="hand">
                {findingText(f)}
              </p>
            ))}
        </div>
      )}
    </aside>
  );
}
