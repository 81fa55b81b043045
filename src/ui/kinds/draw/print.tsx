import type { DrawSheet } from '@/core/kinds/draw/draw';
import { PAPER_WIDTH } from '@/core/drawing/shapes';
import { PaperView } from '../../drawing/PaperView';
import type { PrintProps } from '../contract';
import '../../drawing/drawing.scss';

/** The same paper, to be drawn on by hand. */
export function Print({ sheet: { paper, high } }: PrintProps<DrawSheet>) {
  return (
    <div className="drawing-frame" style={{ aspectRatio: `${PAPER_WIDTH} / ${high}`, breakInside: 'avoid' }}>
      <div className="drawing-paper">
        <PaperView paper={paper} high={high} />
      </div>
    </div>
  );
}
