import { exact } from '@/core/base/exact';
import { plainText } from '@/core/content/plain';
import type { Boundaries } from '@/core/results/policy';
import { readTexts, toldOf } from '@/core/results/texts';
import type { ResultRow, Results } from '@/server/results/results';
import { WrittenView } from '../sheet/WrittenView';
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
        const spoken = [
          ...results.sections.map(({ id, title }) => ({ id, title, is: 'section' as const })),
          ...(boundaries.parts ?? []),
        ];
        const parts = spoken.flatMap(({ id, title, is }) => {
          const text = texts.of(id);
          return text ? [{ id, title, is, text }] : [];
        });
        return (
          <blockquote key={row.attempt} className="read-as">
            <p className="soft mb-0" dir="auto">
              {row.name}
            </p>
            {plainText(texts.whole) === '' ? <span className="hand">nothing</span> : <WrittenView text={texts.whole} />}
            {parts.map(({ id, title, is, text }) => (
              <div key={id}>
                <strong>{title}</strong>
                {is !== 'section' && <span className="soft"> · {is}</span>}
                <WrittenView text={text} />
              </div>
            ))}
          </blockquote>
        );
      })}
    </details>
  );
}
