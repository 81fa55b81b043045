import { memo } from 'react';
import { paperElements } from '@/core/drawing/elements';
import type { Paper } from '@/core/drawing/paper';
import { PAPER_WIDTH } from '@/core/drawing/shapes';
import { Elements } from './Elements';

interface Props {
  paper: Paper;
  high: number;
}

/** What lies below a drawing: rulings, axes, a picture, a text. It fills the paper. */
export const PaperView = memo(function PaperView({ paper, high }: Props) {
  if (paper.is === 'picture') {
    return (
      // eslint-disable-next-line @next/next/no-img-element -- pictures come as they were stored
      <img className="paper-below" src={`/media/${paper.media}`} alt={paper.description} draggable={false} />
    );
  }
  if (paper.is === 'text') {
    return (
      <div className="paper-below paper-text" dir="auto">
        {paper.text}
      </div>
    );
  }
  return (
    <svg className="paper-below" viewBox={`0 0 ${PAPER_WIDTH} ${high}`} aria-hidden="true">
      <Elements elements={paperElements(paper, high)} />
    </svg>
  );
});
