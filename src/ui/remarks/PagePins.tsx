'use client';
import { type PointerEvent, useRef, useState } from 'react';
import type { Anchor, Pinned } from '@/core/content/anchors';
import { PAPER_WIDTH } from '@/core/drawing/shapes';
import { Shapes } from '../drawing/Elements';
import '../drawing/drawing.scss';
import './remarks.scss';

interface Props {
  page: string;
  /** Height in units of which the width has 1,000. */
  high: number;
  remarks: readonly Pinned[];
  /** Given to whoever marks: a spot that is clicked, or a stretch that is drawn out, gets a remark. */
  onPin?: ((anchor: Anchor) => void) | undefined;
}

type Spot = Extract<Anchor, { at: 'spot' }>;

const percent = (part: number): string => `${100 * part}%`;

/** What lies over a page: the places that remarks are about with their numbers, and what was drawn on it. */
export function PagePins({ page, high, remarks, onPin }: Props) {
  const face = useRef<HTMLSpanElement>(null);
  const [begun, setBegun] = useState<{ x: number; y: number } | null>(null);
  const [stretch, setStretch] = useState<Spot | null>(null);
  const place = ({ clientX, clientY }: PointerEvent) => {
    const box = face.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 1, 1);
    const within = (value: number): number => Math.min(1, Math.max(0, value));
    return { x: within((clientX - box.left) / box.width), y: within((clientY - box.top) / box.height) };
  };
  const between = (a: { x: number; y: number }, b: { x: number; y: number }): Spot => {
    const [w, h] = [Math.abs(a.x - b.x), Math.abs(a.y - b.y)];
    const small = w < 0.01 && h < 0.01;
    const corner = { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y) };
    return { at: 'spot', page, ...(small ? { ...a, w: 0, h: 0 } : { ...corner, w, h }) };
  };
  const pins = remarks.flatMap(({ id, number, anchor }) =>
    anchor.at === 'spot' && anchor.page === page ? [{ id, number, ...anchor }] : [],
  );
  const drawn = remarks.flatMap(({ anchor }) => (anchor.at === 'drawn' && anchor.page === page ? anchor.shapes : []));
  return (
    <span
      ref={face}
      className={`page-pins ${onPin ? 'pinning' : ''}`}
      onPointerDown={(event) => {
        if (!onPin || event.button !== 0) return;
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        setBegun(place(event));
      }}
      onPointerMove={(event) => begun && setStretch(between(begun, place(event)))}
      onPointerUp={(event) => {
        if (begun) onPin?.(between(begun, place(event)));
        setBegun(null);
        setStretch(null);
      }}
      onPointerCancel={() => {
        setBegun(null);
        setStretch(null);
      }}
    >
      {drawn.length > 0 && (
        <svg className="drawn" viewBox={`0 0 ${PAPER_WIDTH} ${high}`} role="img" aria-label="Drawn by whoever marked">
          {/* Several people may have drawn here: their shapes have the same names. */}
          <Shapes shapes={drawn.map((shape, i) => ({ ...shape, id: String(i) }))} />
        </svg>
      )}
      {stretch && stretch.w > 0 && <i className="stretch" style={boxOf(stretch)} />}
      {pins.map((pin) => (
        <span key={pin.id} className={pin.w > 0 ? 'stretch' : 'pin'} style={boxOf(pin)}>
          <b aria-label={`Remark ${pin.number}`}>{pin.number}</b>
        </span>
      ))}
    </span>
  );
}

const boxOf = ({ x, y, w, h }: Spot) => ({
  left: percent(x),
  top: percent(y),
  ...(w > 0 ? { width: percent(w), height: percent(h) } : {}),
});
