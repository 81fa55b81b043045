'use client';
import Link from 'next/link';
import { exact, shown } from '@/core/base/exact';
import { type Boundaries, boundariesReadiness, withPassMark } from '@/core/results/policy';
import type { Results } from '@/server/results/results';
import { findingText } from '../words/findings';
import { PercentInput } from '../parts/PercentInput';
import { passes } from './outcome';

interface Props {
  results: Results;
  boundaries: Boundaries;
  change: (next: (b: Boundaries) => Boundaries, tag?: string) => void;
}

/** What the boundaries mean, and what would change if the pass mark moved a little. */
export function BoundaryNotes({ results, boundaries, change }: Props) {
  const pass = exact(boundaries.passPercent);
  const count = (percent: string): number => results.rows.filter((r) => passes(r, results, percent)).length;
  const now = count(boundaries.passPercent);
  const at = (step: number): { percent: string; difference: number } | null => {
    const moved = pass.add(step);
    if (moved.compare(0) < 0 || moved.compare(100) > 0) return null;
    return { percent: shown(moved, 3), difference: count(shown(moved, 3)) - now };
  };
  const said = [at(-2), at(2)]
    .filter((x) => x !== null)
    .map(
      ({ percent, difference }) =>
        `At ${percent} %: ${difference === 0 ? 'the same' : `${Math.abs(difference)} ${difference > 0 ? 'more' : 'fewer'}`} pass.`,
    )
    .join(' ');
  const failedBySection = results.rows.filter(
    (r) => exact(r.percent).compare(pass) >= 0 && !passes(r, results, boundaries.passPercent),
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
        <p className="soft">{said}</p>
        <p>
          <Link href={`/sittings/${results.sitting}/pass-mark`}>Judges, reasons, history</Link>
        </p>
      </div>
      {results.sections.some((s) => s.passPercent !== null) && (
        <div className="note">
          <h3>Each section too</h3>
          {results.sections.map(
            (s, i) => s.passPercent !== null && <p key={i}>{`${s.title} at ${s.passPercent} %`}</p>,
          )}
          <p className="soft">{failedBySection} pass the whole but not a section.</p>
        </div>
      )}
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
