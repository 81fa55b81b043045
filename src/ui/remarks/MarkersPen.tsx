'use client';
import { Check, Minus, Pen, Type, X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import type { Anchor, Pinned } from '@/core/content/anchors';
import { freshShapeId, MOST_POINTS, MOST_SHAPES, pointCount, type Shape } from '@/core/drawing/shapes';
import { Surface } from '../drawing/Surface';
import type { Hand, Tool } from '../drawing/tools';

/** Signs that are set with a click. */
const SIGNS = { tick: '✓', half: '½', cross: '✗' } as const;
type Sign = keyof typeof SIGNS;
type MarkerTool = Extract<Tool, 'pen' | 'line' | 'text' | 'eraser'> | Sign;

const TOOLS: readonly (readonly [MarkerTool, string, ReactNode])[] = [
  ['tick', 'Tick', <Check key="t" size={18} />],
  ['half', 'Half', '½'],
  ['cross', 'Cross', <X key="x" size={18} />],
  ['pen', 'Pen', <Pen key="p" size={18} />],
  ['line', 'Underline', <Minus key="l" size={18} />],
  ['text', 'Text', <Type key="w" size={18} />],
  ['eraser', 'Rub out', '⌫'],
];

interface Props {
  page: string;
  high: number;
  /** What this marker has drawn here so far. */
  shapes: readonly Shape[];
  onDraw: (anchor: Anchor) => void;
  children: ReactNode;
}

/** What one has drawn on a page by oneself, among the remarks of an answer. */
export function drawnOn(page: string, remarks: readonly Pinned[]): Shape[] {
  return remarks.flatMap(({ anchor }) => (anchor.at === 'drawn' && anchor.page === page ? anchor.shapes : []));
}

/** The red pen on a page: ticks, halves and crosses by a click, lines and words by hand. What is drawn is kept at once. */
export function MarkersPen({ page, high, shapes, onDraw, children }: Props) {
  const [tool, setTool] = useState<MarkerTool>('tick');
  const sign = tool in SIGNS ? SIGNS[tool as Sign] : null;
  const hand: Hand = { tool: sign ? 'line' : (tool as Tool), colour: 'red', width: 'medium' };
  const keep = (next: readonly Shape[]): void => {
    if (next.length <= MOST_SHAPES && pointCount(next) <= MOST_POINTS) onDraw({ at: 'drawn', page, shapes: [...next] });
  };
  return (
    <>
      <span className="drawing-tools" role="toolbar" aria-label="The red pen">
        {TOOLS.map(([name, words, face]) => (
          <button
            key={name}
            type="button"
            aria-label={words}
            title={words}
            aria-pressed={tool === name}
            onClick={() => setTool(name)}
          >
            {face}
          </button>
        ))}
      </span>
      <Surface
        label="The page, to be drawn on"
        shapes={shapes}
        high={high}
        hand={hand}
        onSpot={
          sign
            ? ({ x, y }) => {
                const made = { id: freshShapeId(shapes), colour: 'red', width: 'thick' } as const;
                keep([...shapes, { is: 'text', ...made, x1: x - 14, y1: y + 16, text: sign }]);
              }
            : undefined
        }
        onAdd={(shape) => keep([...shapes, shape])}
        onChange={keep}
      >
        {children}
      </Surface>
    </>
  );
}
