'use client';
import { type ReactNode, useState } from 'react';
import type { Anchor, Pinned } from '@/core/content/anchors';
import { drawnOn, MarkersPen } from './MarkersPen';
import { PagePins } from './PagePins';

interface Props {
  /** The file that is looked at; empty for a drawing. */
  page: string;
  high: number;
  remarks: readonly Pinned[];
  onPin?: ((anchor: Anchor) => void) | undefined;
  /** What is looked at; it fills the face. */
  children: ReactNode;
}

/** A page or a drawing with what was said of places in it. Whoever marks points at a place, or takes the red pen. */
export function MarkedFace({ page, high, remarks, onPin, children }: Props) {
  const [pen, setPen] = useState(false);
  const others = remarks.filter(({ anchor, own }) => anchor.at !== 'drawn' || !own);
  return (
    <span className="marked-face">
      {onPin && (
        <button type="button" className="btn btn-quiet btn-sm" aria-pressed={pen} onClick={() => setPen(!pen)}>
          {pen ? 'Put the red pen down' : 'Take the red pen'}
        </button>
      )}
      {pen && onPin ? (
        <MarkersPen
          page={page}
          high={high}
          shapes={drawnOn(
            page,
            remarks.filter(({ own }) => own),
          )}
          onDraw={onPin}
        >
          {children}
          <PagePins page={page} high={high} remarks={others} />
        </MarkersPen>
      ) : (
        <span className="face">
          {children}
          <PagePins page={page} high={high} remarks={remarks} onPin={onPin} />
        </span>
      )}
    </span>
  );
}
