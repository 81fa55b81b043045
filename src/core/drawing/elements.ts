import { boundsOf, LETTERS } from './geometry';
import { type Paper, paperMarks } from './paper';
import { COLOURS, MARKER, PAPER_WIDTH, type Shape, type Spanned, WIDTHS } from './shapes';

/** An element of SVG; its attributes are named as scripts name them (strokeWidth, not stroke-width). */
export interface SvgElement {
  tag: 'path' | 'rect' | 'ellipse' | 'circle' | 'text';
  attributes: Readonly<Record<string, string | number>>;
  text?: string;
}

const round = (value: number): number => Math.round(value * 10) / 10;

/** The path through points x, y, x, y …: straight between them, so that what is stored is what is seen. A single point is a dot. */
export function pathOf(points: readonly number[]): string {
  if (points.length === 2) return `M${points[0]} ${points[1]}h0.1`;
  let path = '';
  for (let i = 0; i < points.length; i += 2) path += `${i === 0 ? 'M' : 'L'}${points[i]} ${points[i + 1]}`;
  return path;
}

/** The two short lines at the head of an arrow. */
function arrowHead({ x1, y1, x2, y2, width }: Spanned): string {
  const angle = Math.atan2(y2 - y1, x2 - x1);
  const size = 14 + 2 * WIDTHS[width];
  const end = (turn: number): string =>
    `${round(x2 - size * Math.cos(angle + turn))} ${round(y2 - size * Math.sin(angle + turn))}`;
  return `M${end(0.45)}L${x2} ${y2}L${end(-0.45)}`;
}

/** How the line of a shape is drawn. */
export function pen({ is, colour, width }: Pick<Shape, 'is' | 'colour' | 'width'>): SvgElement['attributes'] {
  const line = {
    fill: 'none',
    stroke: COLOURS[colour],
    strokeWidth: WIDTHS[width],
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
  };
  return is === 'marker' ? { ...line, strokeWidth: MARKER.wider * WIDTHS[width], strokeOpacity: MARKER.opacity } : line;
}

/** What a shape looks like. */
export function shapeElement(shape: Shape): SvgElement {
  const { x1, y1, x2, y2 } = boundsOf(shape);
  switch (shape.is) {
    case 'pen':
    case 'marker':
      return { tag: 'path', attributes: { d: pathOf(shape.points), ...pen(shape) } };
    case 'line':
      return { tag: 'path', attributes: { d: pathOf([shape.x1, shape.y1, shape.x2, shape.y2]), ...pen(shape) } };
    case 'arrow': {
      const d = pathOf([shape.x1, shape.y1, shape.x2, shape.y2]) + arrowHead(shape);
      return { tag: 'path', attributes: { d, ...pen(shape) } };
    }
    case 'box':
      return {
        tag: 'rect',
        attributes: { x: x1, y: y1, width: round(x2 - x1), height: round(y2 - y1), ...pen(shape) },
      };
    case 'ellipse':
      return {
        tag: 'ellipse',
        attributes: {
          cx: round((x1 + x2) / 2),
          cy: round((y1 + y2) / 2),
          rx: round((x2 - x1) / 2),
          ry: round((y2 - y1) / 2),
          ...pen(shape),
        },
      };
    case 'text':
      return {
        tag: 'text',
        attributes: {
          x: shape.x1,
          y: shape.y1,
          fontSize: LETTERS[shape.width],
          fontFamily: 'sans-serif',
          fill: COLOURS[shape.colour],
        },
        text: shape.text,
      };
  }
}

const RULED = '#8fa0b3';
const FIGURES = '#4a5568';
const ruled = (strong: boolean) => ({ stroke: RULED, strokeWidth: strong ? 1.6 : 0.7, fill: 'none' });

/** What is printed on a paper that is `high` units high: lines of one strength are one path. */
export function paperElements(paper: Paper, high: number): SvgElement[] {
  const { lines, rings, dots, figures } = paperMarks(paper, high);
  const grid = (strong: boolean): SvgElement => ({
    tag: 'path',
    attributes: {
      d: lines
        .filter((line) => line.strong === strong)
        .map(({ x1, y1, x2, y2 }) => pathOf([round(x1), round(y1), round(x2), round(y2)]))
        .join(''),
      ...ruled(strong),
    },
  });
  return [
    ...[grid(false), grid(true)].filter(({ attributes }) => attributes.d !== ''),
    ...rings.map(
      ({ r, strong }): SvgElement => ({
        tag: 'circle',
        attributes: { cx: PAPER_WIDTH / 2, cy: high / 2, r: round(r), ...ruled(strong) },
      }),
    ),
    ...(dots.length === 0
      ? []
      : [
          {
            tag: 'path' as const,
            attributes: {
              d: dots.map(({ x, y }) => pathOf([x, y])).join(''),
              stroke: RULED,
              strokeWidth: 3,
              strokeLinecap: 'round',
            },
          },
        ]),
    ...figures.map(
      ({ x, y, text, anchor, upwards }): SvgElement => ({
        tag: 'text',
        attributes: {
          x: round(x),
          y: round(y),
          fontSize: 22,
          fontFamily: 'sans-serif',
          fill: FIGURES,
          textAnchor: anchor,
          ...(upwards ? { transform: `rotate(-90 ${round(x)} ${round(y)})` } : {}),
        },
        text,
      }),
    ),
  ];
}
