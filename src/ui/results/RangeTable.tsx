'use client';
import Button from 'react-bootstrap/Button';
import { exact } from '@/core/base/exact';
import { emptyContent } from '@/core/content/document';
import type { Finding } from '@/core/base/finding';
import { type Boundaries, FILL_INS } from '@/core/results/policy';
import { stepAt } from '@/core/results/decided';
import { WrittenText } from '../sheet/WrittenText';
import { PercentInput } from '../parts/PercentInput';
import { findingText } from '../words/findings';

interface Props {
  boundaries: Boundaries;
  counts: number[];
  findings: Finding[];
  change: (next: (b: Boundaries) => Boundaries, tag?: string) => void;
}

/** The feedback ranges: from where to where, how many students, what they read. They follow on each other, so gaps cannot be. */
export function RangeTable({ boundaries, counts, findings, change }: Props) {
  const { ranges, grades } = boundaries;
  const setRange = (i: number, part: Partial<(typeof ranges)[number]>): void =>
    change(
      (b) => ({ ...b, ranges: b.ranges.map((r, j) => (j === i ? { ...r, ...part } : r)) }),
      `range ${i} ${Object.keys(part).join()}`,
    );
  const between =
    (i: number) =>
    (percent: string): boolean => {
      const value = exact(percent);
      const before = ranges[i - 1];
      const after = ranges[i + 1];
      return (!before || value.compare(exact(before.from)) > 0) && (!after || value.compare(exact(after.from)) < 0);
    };
  const gradesIn = (i: number): string => {
    const from = exact(ranges[i]?.from ?? '0');
    const next = ranges[i + 1];
    const first = stepAt(grades, from);
    return grades
      .filter(
        (g, n) =>
          n === first || (exact(g.from).compare(from) >= 0 && (!next || exact(g.from).compare(exact(next.from)) < 0)),
      )
      .map((g) => g.grade)
      .join(', ');
  };
  const split = (i: number): void =>
    change((b) => {
      const from = Number(b.ranges[i]?.from ?? 0);
      const to = Number(b.ranges[i + 1]?.from ?? 100);
      const middle = Math.round(from + (to - from) / 2);
      if (middle <= from || middle >= to) return b;
      return {
        ...b,
        ranges: [...b.ranges.slice(0, i + 1), { from: String(middle), text: emptyContent }, ...b.ranges.slice(i + 1)],
      };
    });
  return (
    <>
      <table className="rows range-table mt-2">
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col" className="num">
              Students
            </th>
            <th scope="col">Grade</th>
            <th scope="col">What they read</th>
            <th scope="col">
              <span className="visually-hidden">Split or take out</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {ranges.map((range, i) => (
            <tr key={i}>
              <td>
                {i === 0 ? (
                  '0 %'
                ) : (
                  <PercentInput
                    label={`Lower edge of range ${i + 1}`}
                    value={range.from}
                    fits={between(i)}
                    why="between its neighbours"
                    onChange={(from) => setRange(i, { from })}
                  />
                )}
              </td>
              <td className="num">{counts[i]}</td>
              <td>{gradesIn(i)}</td>
              <td>
                <WrittenText
                  label={`What range ${i + 1} reads`}
                  lines={1}
                  text={range.text}
                  onChange={(text) => setRange(i, { text })}
                />
                {findings
                  .filter((f) => f.at[0] === 'ranges' && f.at[1] === i)
                  .map((f) => (
                    <div key={f.code} className="hand">
                      {findingText(f)}
                    </div>
                  ))}
              </td>
              <td className="text-nowrap">
                {ranges.length < 12 && (
                  <Button variant="quiet" onClick={() => split(i)}>
                    split
                  </Button>
                )}
                {i > 0 && (
                  <Button
                    variant="quiet"
                    aria-label={`Take range ${i + 1} out`}
                    onClick={() => change((b) => ({ ...b, ranges: b.ranges.filter((_, j) => j !== i) }))}
                  >
                    ×
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft mb-0 mt-2" style={{ fontSize: '0.84rem' }}>
        Filled in for each student: {FILL_INS.map((f) => `[${f}]`).join(' ')}
      </p>
    </>
  );
}
