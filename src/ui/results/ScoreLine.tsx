'use client';
import { bin, max, range, scaleLinear } from 'd3';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';

export interface Boundary {
  id: string;
  /** Percent. */
  at: number;
  label: string;
  name: string;
  pass: boolean;
}

interface Props {
  /** Percent of every student. */
  percents: number[];
  boundaries: Boundary[];
  passAt: number;
  onMove: (id: string, percent: number) => void;
}

const WIDTH = 820;
/** Height of a row of labels. */
const ROW = 28;
const LEFT = 26;
const FLOOR = 200;

const labelWidth = ({ label }: Boundary): number => label.length * 8 + 18;

/** The row below the line in which each label stands, so that every one can be read and taken hold of. */
function labelRows(boundaries: readonly Boundary[], x: (percent: number) => number): ReadonlyMap<string, number> {
  const ends: number[] = [];
  const rows = new Map<string, number>();
  for (const b of [...boundaries].sort((one, other) => one.at - other.at)) {
    const left = x(b.at) - labelWidth(b) / 2;
    const free = ends.findIndex((end) => end < left - 2);
    const row = free === -1 ? ends.length : free;
    ends[row] = left + labelWidth(b);
    rows.set(b.id, row);
  }
  return rows;
}

/** The scores on one line, with the boundaries to drag; every boundary moves by the arrow keys too. */
export function ScoreLine({ percents, boundaries, passAt, onMove }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const x = scaleLinear([0, 100], [LEFT, WIDTH - LEFT]);
  const bins = bin()
    .domain([0, 100])
    .thresholds(range(5, 100, 5))(percents.map((p) => Math.min(100, Math.max(0, p))));
  const highest = max(bins, (b) => b.length) ?? 1;
  const y = scaleLinear([0, Math.max(1, highest)], [FLOOR, 22]);

  const percentAt = (clientX: number): number => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return 0;
    return Math.round(Math.min(100, Math.max(0, x.invert(((clientX - box.left) / box.width) * WIDTH))) * 2) / 2;
  };
  const drag = (id: string) => (event: PointerEvent<SVGGElement>) => {
    event.preventDefault();
    const handle = event.currentTarget;
    handle.focus();
    handle.setPointerCapture(event.pointerId);
    const move = (e: globalThis.PointerEvent): void => onMove(id, percentAt(e.clientX));
    handle.addEventListener('pointermove', move);
    handle.addEventListener('pointerup', () => handle.removeEventListener('pointermove', move), { once: true });
  };
  const nudge = (boundary: Boundary) => (event: KeyboardEvent) => {
    const step = { ArrowLeft: -0.5, ArrowDown: -0.5, ArrowRight: 0.5, ArrowUp: 0.5, PageDown: -5, PageUp: 5 }[
      event.key
    ];
    if (!step) return;
    event.preventDefault();
    onMove(boundary.id, Math.min(100, Math.max(0, boundary.at + step)));
  };
  const rows = labelRows(boundaries, x);
  const topOf = (b: Boundary): number => FLOOR + 26 + ROW * (rows.get(b.id) ?? 0);
  const height = FLOOR + 30 + ROW * (Math.max(0, ...rows.values()) + 1);
  const edges = [0, ...boundaries.filter((b) => b.id.startsWith('range')).map((b) => b.at), 100].sort((a, b) => a - b);
  return (
    <svg
      ref={svg}
      className="chart"
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="group"
      aria-label={`Scores of ${percents.length} students with boundaries`}
    >
      {edges.slice(1).map((edge, i) => (
        <rect
          key={edge + i}
          className="band"
          x={x(edges[i] ?? 0)}
          width={Math.max(0, x(edge) - x(edges[i] ?? 0))}
          y={14}
          height={FLOOR - 14}
          opacity={0.025 + 0.035 * i}
        />
      ))}
      {bins.map((b) => {
        const from = b.x0 ?? 0;
        const to = b.x1 ?? 100;
        return (
          b.length > 0 && (
            <rect
              key={from}
              className={from >= passAt ? 'bar-pass' : 'bar-fail'}
              x={x(from) + 2}
              width={x(to) - x(from) - 4}
              y={y(b.length)}
              height={FLOOR - y(b.length)}
            >
              <title>{`${from} to ${to} %: ${b.length} students`}</title>
            </rect>
          )
        );
      })}
      <line className="axis" x1={LEFT} x2={WIDTH - LEFT} y1={FLOOR} y2={FLOOR} />
      {boundaries.map((b) => (
        <line
          key={b.id}
          className={`edge ${b.pass ? 'pass' : ''}`}
          x1={x(b.at)}
          x2={x(b.at)}
          y1={b.pass ? 4 : 14}
          y2={topOf(b)}
        />
      ))}
      {boundaries.map((b) => {
        const width = labelWidth(b);
        const top = topOf(b);
        return (
          <g
            key={b.id}
            className={`boundary ${b.pass ? 'pass' : ''}`}
            role="slider"
            tabIndex={0}
            aria-label={b.name}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={b.at}
            aria-valuetext={`${b.at} percent`}
            onPointerDown={drag(b.id)}
            onKeyDown={nudge(b)}
          >
            <rect className="hold" x={x(b.at) - 5} width={10} y={14} height={FLOOR - 14} />
            <rect
              x={Math.min(WIDTH - width, Math.max(0, x(b.at) - width / 2))}
              y={top}
              width={width}
              height={24}
              rx={4}
            />
            <text x={Math.min(WIDTH - width / 2, Math.max(width / 2, x(b.at)))} y={top + 17} textAnchor="middle">
              {b.label}
            </text>
          </g>
        );
      })}
      {/* After the lines, with a rim of the sheet's colour: no line strikes a number through. */}
      {range(0, 101, 10).map((tick) => (
        <text key={tick} className="tick" x={x(tick)} y={FLOOR + 18} textAnchor="middle">
          {tick}
          {tick === 0 || tick === 100 ? ' %' : ''}
        </text>
      ))}
    </svg>
  );
}
