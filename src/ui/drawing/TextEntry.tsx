'use client';
import { useState } from 'react';
import { LETTERS } from '@/core/drawing/geometry';
import { freshShapeId, PAPER_WIDTH, type Shape } from '@/core/drawing/shapes';
import type { Hand } from './tools';

interface Props {
  at: { x: number; y: number };
  high: number;
  hand: Hand;
  shapes: readonly Shape[];
  /** With what was written; null when nothing was. */
  onDone: (shape: Shape | null) => void;
}

/** A line of text that is written on the paper where it shall stand. Enter or leaving keeps it. */
export function TextEntry({ at, high, hand: { colour, width }, shapes, onDone }: Props) {
  const [text, setText] = useState('');
  const done = (): void =>
    onDone(
      text.trim() === ''
        ? null
        : { is: 'text', id: freshShapeId(shapes), colour, width, x1: at.x, y1: at.y, text: text.trim() },
    );
  return (
    <input
      // The cursor belongs where the click was.
      ref={(element) => element?.focus()}
      className="text-entry"
      aria-label="Text on the drawing"
      maxLength={300}
      value={text}
      style={{
        left: `${(100 * at.x) / PAPER_WIDTH}%`,
        top: `${(100 * (at.y - LETTERS[width])) / high}%`,
        fontSize: `${(100 * LETTERS[width]) / PAPER_WIDTH}cqw`,
      }}
      onChange={(e) => setText(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => {
        if (e.key === 'Enter') done();
        if (e.key === 'Escape') onDone(null);
        if (e.key === 'Enter' || e.key === 'Escape') {
          e.preventDefault();
          e.stopPropagation();
        }
      }}
    />
  );
}
