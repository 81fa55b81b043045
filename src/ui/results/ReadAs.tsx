import { exact } from '@/core/base/exact';
import type { Boundaries } from '@/core/results/policy';
import { readTexts, toldOf } from '@/core/results/texts';
import type { ResultRow, Results } from '@/server/results/results';
import { dayOnly } from '../words/time';
import { rangeOf } from './outcome';

/** What three real students will read: the lowest, the one nearest to the pass mark, the highest. */
export function ReadAs({ results, boundaries }: { results: Results; boundaries: Boundaries }) {
  const rows = results.rows.toSorted((a, b) => exact(a.percent).compare(exact(b.percent)));
  const pass = exact(boundaries.passPercent);
  const near = rows.toSorted((a, b) => exact(a.percent).sub(pass).abs().compare(exact(b.percent).sub(pass).abs()))[0];
  const [lowest, highest] = [rows[0], rows.at(-1)];
  const chosen = [lowest, near, highest].filter(
    (row, i, all): row is ResultRow => row !== undefined && all.indexOf(row) === i,
  );
  if (chosen.length === 0) return null;
  return (
    <details className="mt-2">
      <summary>As three of them will read it</summary>
      {chosen.map((row) => {
        const texts = readTexts(
          toldOf(row, { ...results, parts: boundaries.parts }, rangeOf(row, results, boundaries)),
          {
            boundaries,
            rounding: results.rounding,
            name: row.name,
            day: dayOnly(results.releasedAt ?? results.now),
          },
        );
        const parts = [...results.sections, ...(boundaries.parts ?? [])].flatMap(({ id, title }) => {
          const text = texts.of(id);
          return text === '' ? [] : [{ id, title, text }];
        });
        return (
          <blockquote key={row.attempt} className="read-as">
            <p className="soft mb-0" dir="auto">
              {row.name}
            </p>
            <p className="mb-0">{texts.whole || <span className="hand">nothing</span>}</p>
            {parts.map(({ id, title, text }) => (
              <p key={id} className="mb-0">
                <strong>{title}:</strong> {text}
              </p>
            ))}
          </blockquote>
        );
      })}
    </details>
  );
}
