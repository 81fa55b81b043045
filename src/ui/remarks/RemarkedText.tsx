'use client';
import { type ReactNode, useRef } from 'react';
import { type Anchor, type Pinned, remarkedPieces, wholeWords } from '@/core/content/anchors';
import { Evidence } from '../sheet/Evidence';
import './remarks.scss';

interface Props {
  text: string;
  /** Words that rules found. */
  evidence: readonly string[];
  remarks: readonly Pinned[];
  /** Given to whoever marks: words that are selected get a remark. */
  onPin?: ((anchor: Anchor) => void) | undefined;
}

/** An answer in words, with the words that remarks are about and the numbers of these. */
export function RemarkedText({ text, evidence, remarks, onPin }: Props) {
  const box = useRef<HTMLSpanElement>(null);
  const pieces = remarkedPieces(text, remarks);
  const selected = (): void => {
    const anchor = box.current && onPin ? selectedWords(box.current, text) : null;
    if (anchor) onPin?.(anchor);
  };
  return (
    // Words are selected here; whoever cannot do so types them beside their remark.
    <span ref={box} className="remarked" onMouseUp={selected} onKeyUp={selected}>
      {pieces.map(({ text: piece, ids, begins }, i): ReactNode => {
        const words = <Evidence text={piece} words={evidence} />;
        if (ids.length === 0) return <span key={i}>{words}</span>;
        return (
          <span key={i} className="said-of" data-remarks={ids.join(' ')}>
            {begins.map((number) => (
              // The number is drawn by the style, so that it is no part of the text that can be selected.
              <sup key={number} data-number={number} aria-label={`Remark ${number}`} />
            ))}
            {words}
          </span>
        );
      })}
    </span>
  );
}

/** The words of a text that are selected on the page; null when none are. */
function selectedWords(box: HTMLElement, text: string): Anchor | null {
  const selection = window.getSelection();
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) return null;
  const range = selection.getRangeAt(0);
  if (!box.contains(range.startContainer) || !box.contains(range.endContainer)) return null;
  const before = document.createRange();
  before.setStart(box, 0);
  before.setEnd(range.startContainer, range.startOffset);
  const from = before.toString().length;
  return wholeWords(text, from, from + range.toString().length);
}
