import { PAPER_WIDTH } from './shapes';

export interface Axis {
  name: string;
  from: number;
  to: number;
  /** From one labelled line to the next; of no meaning on a logarithmic axis, which is labelled at powers of ten. */
  step: number;
  scale: 'even' | 'log';
}

/** What a drawing is made on. */
export type Paper =
  | { is: 'blank' | 'squared' | 'dotted' | 'lined' | 'polar' }
  | { is: 'axes'; x: Axis; y: Axis }
  /** A picture by its hash. */
  | { is: 'picture'; media: string; description: string }
  | { is: 'text'; text: string };

/** The side of a square, and from dot to dot, in units: forty on a paper's width. */
export const SQUARE = PAPER_WIDTH / 40;

/** Where the axes stand, in units from the edges: room for figures and names. */
export const EDGE = { left: 90, right: 30, top: 30, bottom: 80 } as const;

/** A line of a paper, faint or strong. */
export interface PaperLine {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
  strong: boolean;
}
export interface PaperFigure {
  x: number;
  y: number;
  text: string;
  anchor: 'start' | 'middle' | 'end';
  /** Runs upwards, as the name of a vertical axis does. */
  upwards?: boolean;
}
export interface PaperMarks {
  lines: PaperLine[];
  /** Radii round the middle. */
  rings: { r: number; strong: boolean }[];
  dots: { x: number; y: number }[];
  figures: PaperFigure[];
}

/** Whether an axis can be drawn: it runs upwards, a logarithmic one above zero, with no more lines than fit. */
export function soundAxis({ from, to, step, scale }: Axis): boolean {
  return from < to && (scale === 'log' ? from > 0 : (to - from) / step <= MOST_LINES);
}

const MOST_LINES = 60;

/** Where a value stands on an axis, from 0 at its beginning to 1 at its end. */
export function placeOn({ from, to, scale }: Axis, value: number): number {
  const measure = scale === 'log' ? Math.log10 : (v: number) => v;
  return (measure(value) - measure(from)) / (measure(to) - measure(from));
}

/** The value at a place of an axis. */
export function valueOn({ from, to, scale }: Axis, place: number): number {
  if (scale === 'even') return from + place * (to - from);
  return 10 ** (Math.log10(from) + place * (Math.log10(to) - Math.log10(from)));
}

/** The values at which an axis has a line, those that get a figure being strong. */
function valuesOf({ from, to, step, scale }: Axis): { value: number; strong: boolean }[] {
  if (scale === 'even') {
    const first = Math.ceil(from / step - 1e-9);
    const last = Math.floor(to / step + 1e-9);
    return Array.from({ length: last - first + 1 }, (_, i) => ({
      value: Number(((first + i) * step).toPrecision(12)),
      strong: true,
    }));
  }
  const values: { value: number; strong: boolean }[] = [];
  const [low, high] = [Math.floor(Math.log10(from)), Math.ceil(Math.log10(to))];
  for (let power = low; power <= high && values.length < 20 * MOST_LINES; power++) {
    for (let digit = 1; digit < 10; digit++) {
      const value = Number(`${digit}e${power}`);
      if (value >= from * (1 - 1e-9) && value <= to * (1 + 1e-9)) values.push({ value, strong: digit === 1 });
    }
  }
  return values;
}

/** Where on the paper the field between the axes lies. */
export function field(high: number): { left: number; right: number; top: number; bottom: number } {
  return { left: EDGE.left, right: PAPER_WIDTH - EDGE.right, top: EDGE.top, bottom: high - EDGE.bottom };
}

/** What is printed on a paper that is `high` units high, before anybody draws. */
export function paperMarks(paper: Paper, high: number): PaperMarks {
  const marks: PaperMarks = { lines: [], rings: [], dots: [], figures: [] };
  switch (paper.is) {
    case 'squared':
      for (let x = 0, i = 0; x <= PAPER_WIDTH; x += SQUARE, i++)
        marks.lines.push({ x1: x, y1: 0, x2: x, y2: high, strong: i % 5 === 0 });
      for (let y = 0, i = 0; y <= high; y += SQUARE, i++)
        marks.lines.push({ x1: 0, y1: y, x2: PAPER_WIDTH, y2: y, strong: i % 5 === 0 });
      return marks;
    case 'dotted':
      for (let y = SQUARE; y < high; y += SQUARE)
        for (let x = SQUARE; x < PAPER_WIDTH; x += SQUARE) marks.dots.push({ x, y });
      return marks;
    case 'lined':
      for (let y = 2 * SQUARE; y < high; y += 2 * SQUARE)
        marks.lines.push({ x1: 0, y1: y, x2: PAPER_WIDTH, y2: y, strong: false });
      return marks;
    case 'polar':
      return polarMarks(high);
    case 'axes':
      return soundAxis(paper.x) && soundAxis(paper.y) ? axesMarks(paper.x, paper.y, high) : marks;
    default:
      return marks;
  }
}

/** Ten rings and a ray every 30 degrees, with the degrees at their ends. */
function polarMarks(high: number): PaperMarks {
  const [cx, cy] = [PAPER_WIDTH / 2, high / 2];
  const radius = Math.min(cx, cy) - 50;
  const rings = Array.from({ length: 10 }, (_, i) => ({ r: ((i + 1) * radius) / 10, strong: i % 5 === 4 }));
  const rays = Array.from({ length: 12 }, (_, i) => {
    const angle = (i * Math.PI) / 6;
    return {
      line: {
        x1: cx,
        y1: cy,
        x2: cx + radius * Math.cos(angle),
        y2: cy - radius * Math.sin(angle),
        strong: i % 3 === 0,
      },
      figure: {
        x: cx + (radius + 26) * Math.cos(angle),
        y: cy - (radius + 26) * Math.sin(angle) + 8,
        text: `${i * 30}°`,
        anchor: 'middle' as const,
      },
    };
  });
  return { lines: rays.map(({ line }) => line), rings, dots: [], figures: rays.map(({ figure }) => figure) };
}

function axesMarks(x: Axis, y: Axis, high: number): PaperMarks {
  const { left, right, top, bottom } = field(high);
  const across = (value: number): number => left + placeOn(x, value) * (right - left);
  const up = (value: number): number => bottom - placeOn(y, value) * (bottom - top);
  const [columns, rows] = [valuesOf(x), valuesOf(y)];
  const figures: PaperFigure[] = [
    ...columns
      .filter(({ strong }) => strong)
      .map(({ value }) => ({ x: across(value), y: bottom + 28, text: String(value), anchor: 'middle' as const })),
    ...rows
      .filter(({ strong }) => strong)
      .map(({ value }) => ({ x: left - 10, y: up(value) + 8, text: String(value), anchor: 'end' as const })),
    { x: (left + right) / 2, y: high - 14, text: x.name, anchor: 'middle' },
    { x: 24, y: (top + bottom) / 2, text: y.name, anchor: 'middle', upwards: true },
  ];
  return {
    rings: [],
    dots: [],
    lines: [
      ...columns.map(({ value, strong }) => ({ x1: across(value), y1: top, x2: across(value), y2: bottom, strong })),
      ...rows.map(({ value, strong }) => ({ x1: left, y1: up(value), x2: right, y2: up(value), strong })),
    ],
    figures: figures.filter(({ text }) => text !== ''),
  };
}
