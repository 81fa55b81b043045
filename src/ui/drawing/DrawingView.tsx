'use client';
import { useState } from 'react';
import type { Paper } from '@/core/drawing/paper';
import { PAPER_WIDTH, type Shape } from '@/core/drawing/shapes';
import { drawingSvg } from '@/core/drawing/svg';
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
}

/** A drawing over its paper, or alone; to be read, not changed. */
export function DrawingView({ shapes, paper, high, label }: Props) {
  const [alone, setAlone] = useState(false);
  return (
    <div className="drawing-view">
      <div className="drawing-frame" role="img" aria-label={label} style={{ aspectRatio: `${PAPER_WIDTH} / ${high}` }}>
        <div className="drawing-paper">
          {!alone && <PaperView paper={paper} high={high} />}
          <svg className="drawn" viewBox={`0 0 ${PAPER_WIDTH} ${high}`} aria-hidden="true">
            <Shapes shapes={shapes} />
          </svg>
        </div>
      </div>
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
