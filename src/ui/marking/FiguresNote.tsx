'use client';
import { extent, max, scaleLinear } from 'd3';
import { useEffect, useState } from 'react';
import { figuresOverTimeAction } from '@/actions/marking';
import type { FigureAt } from '@/server/marking/figures';
import { dayOnly } from '../words/time';
import { replyTo } from '../parts/reply-to';

interface Props {
  attempt: string;
  item: string;
  slot: string;
  /** Changes whenever something was marked in the answer. */
  after: number;
}

const WIDTH = 280;
const HEIGHT = 96;
const EDGE = { left: 34, right: 12, top: 12, bottom: 22 };

/** What the answers of one student came to over time, with what is hoped for. */
export function FiguresNote({ attempt, item, slot, after }: Props) {
  const [figures, setFigures] = useState<FigureAt[]>([]);
  useEffect(() => {
    let here = true;
    void replyTo(figuresOverTimeAction({ attempt, item, slot })).then(
      (read) => here && read.ok && setFigures(read.value),
    );
    return () => {
      here = false;
    };
  }, [attempt, item, slot, after]);
  if (figures.length === 0) return null;
  const goal = figures.find(({ here }) => here)?.goal ?? null;
  const x = scaleLinear()
    .domain(figures.length === 1 ? [(figures[0]?.at ?? 0) - 1, (figures[0]?.at ?? 0) + 1] : extentOf(figures))
    .range([EDGE.left, WIDTH - EDGE.right]);
  const most = Math.max(goal ?? 0, max(figures, ({ value }) => value) ?? 0, 1);
  const y = scaleLinear()
    .domain([0, most])
    .nice()
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const said = figures.map(({ at, value }) => `${Math.round(value)} on ${dayOnly(at)}`).join(', ');
  const [first, last] = [figures[0], figures.at(-1)];
  return (
    <section className="note" aria-label="Over time">
      <h3>Over time</h3>
      <svg className="chart" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={`Over time: ${said}`}>
        <line className="axis" x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(0)} y2={y(0)} />
        <text x={EDGE.left - 6} y={y(most) + 4} textAnchor="end">
          {Math.round(most)}
        </text>
        {goal !== null && (
          <>
            <line className="edge" x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(goal)} y2={y(goal)} />
            <text x={WIDTH - EDGE.right} y={y(goal) - 4} textAnchor="end">
              hoped for: {goal}
            </text>
          </>
        )}
        <polyline className="over-time" points={figures.map(({ at, value }) => `${x(at)},${y(value)}`).join(' ')} />
        {figures.map(({ at, value, here }, i) => (
          <circle key={i} className={here ? 'bar-pass' : 'bar-fail'} cx={x(at)} cy={y(value)} r={here ? 5 : 3.5} />
        ))}
        {first && (
          <text x={EDGE.left} y={HEIGHT - 5}>
            {dayOnly(first.at)}
          </text>
        )}
        {last && last !== first && (
          <text x={WIDTH - EDGE.right} y={HEIGHT - 5} textAnchor="end">
            {dayOnly(last.at)}
          </text>
        )}
      </svg>
    </section>
  );
}

function extentOf(figures: readonly FigureAt[]): [number, number] {
  const [from, to] = extent(figures, ({ at }) => at);
  return [from ?? 0, to ?? 1];
}
