'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Link } from '../parts/Link';
import { type MouseEvent, useEffect, useRef } from 'react';
import { HIT } from '@/core/bank/searching';
import type { FoundQuestion } from '@/server/bank/search';
import { kindSign, kindsText } from '../kinds/registry';
import { marksText } from '../words/marks';
import { REVIEW_WORDS } from '../words/review';
import { Highlighted } from './Highlighted';

const ROW = 58;

interface Props {
  total: number;
  question: (row: number) => FoundQuestion | undefined;
  need: (row: number) => void;
  /** The row that the keys are on. */
  at: number;
  words: string;
  chosen: ReadonlySet<string>;
  onGo: (row: number) => void;
  onOpen: (id: string) => void;
  onChoose: (row: number, through: boolean) => void;
}

/** Questions one below the other; only those in view are on the page, however many there are. */
export function QuestionList({ total, question, need, at, words, chosen, onGo, onOpen, onChoose }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list must be drawn anew at every scroll, so the compiler may leave it alone
  const rows = useVirtualizer({
    count: total,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 8,
    initialRect: { width: 600, height: 1200 },
  });
  const shown = rows.getVirtualItems();
  const last = shown.at(-1)?.index ?? 0;
  const top = shown[0]?.index ?? 0;
  useEffect(() => {
    need(top);
    need(last);
  }, [need, top, last, total]);
  useEffect(() => {
    if (at < total) rows.scrollToIndex(at, { align: 'auto' });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only a move of the keys scrolls, not every drawing
  }, [at]);
  return (
    <div className="question-list" ref={frame} style={{ height: rows.getTotalSize() }}>
      <ol style={{ height: rows.getTotalSize() }} aria-label="Questions">
        {shown.map(({ index, start }) => {
          const q = question(index);
          return (
            <li
              key={index}
              aria-current={index === at}
              aria-setsize={total}
              aria-posinset={index + 1}
              style={{ transform: `translateY(${start}px)`, height: ROW }}
              onClick={(e: MouseEvent) => !(e.target instanceof HTMLInputElement) && onGo(index)}
              onDoubleClick={() => q && onOpen(q.id)}
            >
              {q && (
                <>
                  <input
                    type="checkbox"
                    className="form-check-input"
                    aria-label={`Choose ${q.title}`}
                    checked={chosen.has(q.id)}
                    onClick={(e) => onChoose(index, e.shiftKey)}
                    readOnly
                  />
                  <span className="kind-sign" aria-hidden="true">
                    {q.kinds.includes(' ') ? '⋯' : kindSign(q.kinds)}
                  </span>
                  <span className="text">
                    <Link className="title" href={`/bank/${q.id}`}>
                      <Highlighted text={q.title} words={words} />
                    </Link>
                    <small>
                      {tellsMore(q) ? <Snippet text={q.snippet} /> : kindsText(q.kinds)}
                      {q.topic && ` · ${q.topic}`}
                      {q.review !== 'draft' && ` · ${REVIEW_WORDS[q.review]}`}
                      {!q.ready && <span className="hand"> · not ready</span>}
                    </small>
                  </span>
                  <span className="num">[{marksText(q.marks)}]</span>
                  <span className="num soft" title={`difficulty ${q.difficulty}`}>
                    {q.difficulty}
                  </span>
                </>
              )}
            </li>
          );
        })}
      </ol>
    </div>
  );
}

/** Whether the snippet shows a hit that the title does not. */
function tellsMore({ title, snippet }: FoundQuestion): boolean {
  const hit = snippet.split(HIT)[1]?.toLowerCase();
  return hit !== undefined && !title.toLowerCase().includes(hit);
}

function Snippet({ text }: { text: string }) {
  return text
    .replace(/\n/g, ' ')
    .split(HIT)
    .map((part, i) => (i % 2 === 1 ? <mark key={`${i} ${part}`}>{part}</mark> : part));
}
