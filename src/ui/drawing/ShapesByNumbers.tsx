'use client';
import type { KeyboardEvent } from 'react';
import { boundsOf, moved, tenth } from '@/core/drawing/geometry';
import { SQUARE } from '@/core/drawing/paper';
import { freshShapeId, PAPER_WIDTH, type Shape, type Spanned } from '@/core/drawing/shapes';
import { TypedNumber } from '../parts/TypedNumber';
import type { Measure } from './measures';
import { type Hand, TOOL_NAMES } from './tools';

interface Props {
  shapes: readonly Shape[];
  high: number;
  hand: Hand;
  measure: Measure;
  onAdd: (shape: Shape) => void;
  onChange: (shapes: Shape[], tag: string) => void;
}

const STEPS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The drawing as a list: shapes are put in, placed by numbers, moved by arrow keys and taken out without a pointer. */
export function ShapesByNumbers({ shapes, high, hand, measure, onAdd, onChange }: Props) {
  const { colour, width } = hand;
  const fresh = (): Pick<Shape, 'id' | 'colour' | 'width'> => ({ id: freshShapeId(shapes), colour, width });
  const middle = { x1: PAPER_WIDTH / 2, y1: high / 2 };
  const change = (next: Shape): void =>
    onChange(
      shapes.map((one) => (one.id === next.id ? next : one)),
      `numbers ${next.id}`,
    );
  return (
    <details className="shapes-by-numbers">
      <summary>Draw by keys and numbers</summary>
      <p className="soft">{measure.words} The arrow keys move a shape by a square, with Shift by a tenth.</p>
      <p>
        {(['line', 'arrow', 'box', 'ellipse'] as const).map((is) => (
          <button
            key={is}
            type="button"
            className="btn btn-quiet btn-sm"
            onClick={() => onAdd({ is, ...fresh(), ...middle, x2: middle.x1 + 4 * SQUARE, y2: middle.y1 - 4 * SQUARE })}
          >
            Put in: {TOOL_NAMES[is].toLowerCase()}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-quiet btn-sm"
          onClick={() => onAdd({ is: 'text', ...fresh(), ...middle, text: 'text' })}
        >
          Put in: text
        </button>
      </p>
      <ol>
        {shapes.map((shape, i) => (
          <ShapeRow
            key={shape.id}
            shape={shape}
            name={`${i + 1}. ${TOOL_NAMES[shape.is]}, ${shape.colour}`}
            measure={measure}
            onChange={change}
            onTakeOut={() =>
              onChange(
                shapes.filter(({ id }) => id !== shape.id),
                '',
              )
            }
          />
        ))}
      </ol>
    </details>
  );
}

interface RowProps {
  shape: Shape;
  name: string;
  measure: Measure;
  onChange: (shape: Shape) => void;
  onTakeOut: () => void;
}

function ShapeRow({ shape, name, measure, onChange, onTakeOut }: RowProps) {
  const byArrows = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    const far = event.shiftKey ? SQUARE / 10 : SQUARE;
    onChange(moved(shape, step[0] * far, step[1] * far));
  };
  return (
    <li>
      <span>{name}</span>{' '}
      {'points' in shape ? (
        <span className="soft">about {placeWords(shape, measure)}</span>
      ) : (
        <>
          <End name={name} shape={shape} measure={measure} end="1" onChange={onChange} />
          {'x2' in shape && <End name={name} shape={shape} measure={measure} end="2" onChange={onChange} />}
        </>
      )}
      {shape.is === 'text' && (
        <input
          className="form-control form-control-sm"
          aria-label={`${name}: its words`}
          maxLength={300}
          value={shape.text}
          onChange={(e) => e.target.value !== '' && onChange({ ...shape, text: e.target.value })}
        />
      )}
      <button
        type="button"
        className="btn btn-quiet btn-sm"
        aria-label={`Move ${name} by arrow keys`}
        onKeyDown={byArrows}
      >
        ← ↑ ↓ →
      </button>
      <button type="button" className="btn btn-quiet btn-sm" aria-label={`Take out ${name}`} onClick={onTakeOut}>
        Take out
      </button>
    </li>
  );
}

function placeWords(shape: Shape, measure: Measure): string {
  const { x1, y1, x2, y2 } = boundsOf(shape);
  const { x, y } = measure.said({ x: (x1 + x2) / 2, y: (y1 + y2) / 2 });
  return `${x} | ${y}`;
}

interface EndProps {
  name: string;
  shape: Exclude<Shape, { points: number[] }>;
  measure: Measure;
  end: '1' | '2';
  onChange: (shape: Shape) => void;
}

/** One end of a shape as two numbers. */
function End({ name, shape, measure, end, onChange }: EndProps) {
  const at = end === '1' ? { x: shape.x1, y: shape.y1 } : { x: (shape as Spanned).x2, y: (shape as Spanned).y2 };
  const said = measure.said(at);
  const other = (axis: 'x' | 'y', typed: string) => {
    const value = Number(typed.trim().replace(',', '.').replace('−', '-'));
    if (typed.trim() === '' || !Number.isFinite(value)) return null;
    const placed = measure.placed({ ...said, [axis]: value });
    const fits = placed && Math.abs(placed.x) <= PAPER_WIDTH && Math.abs(placed.y) <= 2 * PAPER_WIDTH;
    return fits ? placed : null;
  };
  const field = (axis: 'x' | 'y') => (
    <TypedNumber
      className="form-control-sm number"
      label={`${name}: ${axis}${end === '1' ? ' of its beginning' : ' of its end'}`}
      value={String(said[axis])}
      why="outside the paper"
      read={(typed) => (other(axis, typed) ? typed : null)}
      onChange={(typed) => {
        const placed = other(axis, typed);
        if (placed) onChange({ ...shape, [`x${end}`]: tenth(placed.x), [`y${end}`]: tenth(placed.y) });
      }}
    />
  );
  return (
    <span className="end">
      {field('x')} | {field('y')}
    </span>
  );
}
