'use client';
import { type ReactNode, useRef, useState } from 'react';
import { PAPER_WIDTH, type Shape } from '@/core/drawing/shapes';
import { Shapes } from './Elements';
import { TextEntry } from './TextEntry';
import type { Hand } from './tools';
import { useHandOnPaper } from './use-hand-on-paper';
import { useZoom } from './use-zoom';
import './drawing.scss';

interface Place {
  x: number;
  y: number;
}

interface Props {
  label: string;
  shapes: readonly Shape[];
  high: number;
  hand: Hand;
  /** What a stretch of the paper measures, in words. */
  lengthWords?: (from: Place, to: Place) => string;
  /** Takes a click in place of the hand. */
  onSpot?: ((at: Place) => void) | undefined;
  onAdd: (shape: Shape) => void;
  onChange: (shapes: Shape[]) => void;
  /** What lies below. */
  children: ReactNode;
}

/**
 * A paper that is drawn on. What is being drawn goes straight to an element of
 * its own, without the page being worked out anew, and becomes a shape when the
 * pen is lifted.
 */
export function Surface({ label, shapes, high, hand, lengthWords, onSpot, onAdd, onChange, children }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const paper = useRef<HTMLDivElement>(null);
  const { view, fingers, larger, whole } = useZoom(frame);
  const [entry, setEntry] = useState<Place | null>(null);
  const { live, shown, ruler, pointer } = useHandOnPaper({
    paper,
    shapes,
    hand,
    fingers,
    onAdd,
    onChange,
    onText: setEntry,
    onSpot,
  });
  const box = `0 0 ${PAPER_WIDTH} ${high}`;
  return (
    <div>
      <div
        ref={frame}
        className={`drawing-frame hand-${hand.tool}`}
        role="img"
        aria-label={label}
        // The keys of undo are meant for whatever was drawn on last.
        tabIndex={-1}
        style={{ aspectRatio: `${PAPER_WIDTH} / ${high}` }}
        {...pointer}
        onPointerDown={(event) => {
          if (!(event.target as Element).closest('input')) event.currentTarget.focus({ preventScroll: true });
          pointer.onPointerDown(event);
        }}
      >
        <div
          ref={paper}
          className="drawing-paper"
          style={{ transform: `translate(${view.x}px, ${view.y}px) scale(${view.scale})` }}
        >
          {children}
          <svg className="drawn" viewBox={box} aria-hidden="true">
            <Shapes shapes={shown} />
          </svg>
          <svg className="drawn" viewBox={box} aria-hidden="true">
            <path ref={live} />
            {ruler && <line className="ruler" x1={ruler.x1} y1={ruler.y1} x2={ruler.x2} y2={ruler.y2} />}
          </svg>
          {entry && (
            <TextEntry
              key={`${entry.x} ${entry.y}`}
              at={entry}
              high={high}
              hand={hand}
              shapes={shapes}
              onDone={(shape) => {
                setEntry(null);
                frame.current?.focus({ preventScroll: true });
                if (shape) onAdd(shape);
              }}
            />
          )}
        </div>
      </div>
      <div className="drawing-foot">
        <span role="status">{ruler && lengthWords?.({ x: ruler.x1, y: ruler.y1 }, { x: ruler.x2, y: ruler.y2 })}</span>
        <span>
          <button type="button" className="btn btn-quiet btn-sm" onClick={() => larger()}>
            Larger
          </button>
          {view.scale > 1 && (
            <button type="button" className="btn btn-quiet btn-sm" onClick={whole}>
              Whole
            </button>
          )}
        </span>
      </div>
    </div>
  );
}
