import { measured } from '@/core/drawing/geometry';
import { field, type Paper, placeOn, SQUARE, soundAxis, valueOn } from '@/core/drawing/paper';
import { PAPER_WIDTH } from '@/core/drawing/shapes';

interface Spot {
  x: number;
  y: number;
}

/** How places are said on a paper: as values of its axes, else in squares from the upper left corner. */
export interface Measure {
  /** From units of the paper. */
  said: (at: Spot) => Spot;
  /** To units of the paper; null for what stands nowhere on it. */
  placed: (said: Spot) => Spot | null;
  /** What the numbers are, in words. */
  words: string;
  length: (from: Spot, to: Spot) => string;
}

const rounded = (value: number): number => Number(value.toPrecision(4));

/** How one speaks of places on this paper. */
export function measureOf(paper: Paper, high: number): Measure {
  if (paper.is === 'axes' && soundAxis(paper.x) && soundAxis(paper.y)) return onAxes(paper, high);
  const length = (from: Spot, to: Spot): string => {
    const { length: units, angle } = measured({ x1: from.x, y1: from.y, x2: to.x, y2: to.y });
    return `${(units / SQUARE).toFixed(1)} squares long, at ${angle.toFixed(0)}°`;
  };
  return {
    said: ({ x, y }) => ({ x: rounded(x / SQUARE), y: rounded(y / SQUARE) }),
    placed: ({ x, y }) => ({ x: x * SQUARE, y: y * SQUARE }),
    words: `In squares from the upper left corner: ${PAPER_WIDTH / SQUARE} to the right, ${rounded(high / SQUARE)} down.`,
    length,
  };
}

function onAxes({ x, y }: Extract<Paper, { is: 'axes' }>, high: number): Measure {
  const { left, right, top, bottom } = field(high);
  const said = (at: Spot): Spot => ({
    x: rounded(valueOn(x, (at.x - left) / (right - left))),
    y: rounded(valueOn(y, (bottom - at.y) / (bottom - top))),
  });
  return {
    said,
    placed: (at) => {
      const [px, py] = [placeOn(x, at.x), placeOn(y, at.y)];
      if (!Number.isFinite(px) || !Number.isFinite(py)) return null;
      return { x: left + px * (right - left), y: bottom - py * (bottom - top) };
    },
    words: 'In values of the axes.',
    length: (from, to) => {
      const [a, b] = [said(from), said(to)];
      return `from ${a.x} | ${a.y} to ${b.x} | ${b.y}: ${rounded(b.x - a.x)} across, ${rounded(b.y - a.y)} up`;
    },
  };
}
