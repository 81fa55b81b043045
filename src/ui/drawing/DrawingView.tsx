'use client';
import { useState } from 'react';
import type { Anchor, Pinned } from '@/core/content/anchors';
import { boundsOf, shapeAt } from '@/core/drawing/geometry';
import type { Paper } from '@/core/drawing/paper';
import { PAPER_WIDTH, type Shape } from '@/core/drawing/shapes';
import { drawingSvg } from '@/core/drawing/svg';
import { MarkedFace } from '../remarks/MarkedFace';
import { saveFile } from '../parts/save-file';
import { Shapes } from './Elements';
import { PaperView } from './PaperView';
import './drawing.scss';

interface Props {
  shapes: readonly Shape[];
  paper: Paper;
  high: number;
  /** What it shows, for those who cannot see it. */
  label: string;
  remarks?: readonly Pinned[];
  onPin?: ((anchor: Anchor) => void) | undefined;
}

/** A drawing over its paper, or alone; to be read, not changed. */
export function DrawingView({ shapes, paper, high, label, remarks = [], onPin }: Props) {
  const [alone, setAlone] = useState(false);
  return (
    <div className="drawing-view">
      <MarkedFace
        page=""
        high={high}
        remarks={remarks.map((one) => ({ ...one, anchor: onPaper(one.anchor, shapes, high) }))}
        onPin={onPin && ((anchor) => onPin(shapeBelow(anchor, shapes, high)))}
      >
        <div
          className="drawing-frame"
          role="img"
          aria-label={label}
          style={{ aspectRatio: `${PAPER_WIDTH} / ${high}` }}
        >
          <div className="drawing-paper">
            {!alone && <PaperView paper={paper} high={high} />}
            <svg className="drawn" viewBox={`0 0 ${PAPER_WIDTH} ${high}`} aria-hidden="true">
              <Shapes shapes={shapes} />
            </svg>
          </div>
        </div>
      </MarkedFace>
      <div className="drawing-foot">
        <span />
        <span>
          <button type="button" className="btn btn-quiet btn-sm" aria-pressed={alone} onClick={() => setAlone(!alone)}>
            {alone ? 'Over its paper' : 'Drawing alone'}
          </button>
          <button
            type="button"
            className="btn btn-quiet btn-sm"
            onClick={() =>
              saveFile(new Blob([drawingSvg(shapes, paper, high)], { type: 'image/svg+xml' }), 'drawing.svg')
            }
          >
            Save as SVG
          </button>
        </span>
      </div>
    </div>
  );
}

/** How far from a shape a click still means it, in units. */
const REACH = 14;

/** A click on a shape means the shape. */
function shapeBelow(anchor: Anchor, shapes: readonly Shape[], high: number): Anchor {
  if (anchor.at !== 'spot' || anchor.w > 0) return anchor;
  const shape = shapeAt(shapes, anchor.x * PAPER_WIDTH, anchor.y * high, REACH);
  return shape ? { at: 'shapes', ids: [shape.id] } : anchor;
}

/** Shapes that a remark is about, as the stretch of the paper that they take. */
function onPaper(anchor: Anchor, shapes: readonly Shape[], high: number): Anchor {
  if (anchor.at !== 'shapes') return anchor;
  const found = shapes.filter(({ id }) => anchor.ids.includes(id)).map(boundsOf);
  if (found.length === 0) return anchor;
  const [x1, y1] = [Math.min(...found.map((b) => b.x1)) - REACH, Math.min(...found.map((b) => b.y1)) - REACH];
  const [x2, y2] = [Math.max(...found.map((b) => b.x2)) + REACH, Math.max(...found.map((b) => b.y2)) + REACH];
  return { at: 'spot', page: '', x: x1 / PAPER_WIDTH, y: y1 / high, w: (x2 - x1) / PAPER_WIDTH, h: (y2 - y1) / high };
}
