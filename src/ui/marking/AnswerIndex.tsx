'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import type { DeskLine } from '@/server/marking/desk-lines';
import { marksText } from '../words/marks';
import { type Order, reasonOf } from './order';
import { keyOf } from './use-desk';

const ORDERS: Record<Order, string> = {
  script: 'by script',
  reason: 'by why they wait',
  unsure: 'unsure ones first',
};

interface Props {
  lines: readonly DeskLine[];
  at: number;
  order: Order;
  onOrder: (order: Order) => void;
  onGo: (at: number) => void;
}

/** The answers of a desk as a list; only those in view are drawn. */
export function AnswerIndex({ lines, at, order, onOrder, onGo }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const severalSlots = lines.some(({ letter }) => letter !== lines[0]?.letter);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list is drawn anew whenever it is scrolled
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => frame.current,
    estimateSize: () => 42,
    overscan: 12,
    initialRect: { width: 200, height: 620 },
  });
  useEffect(() => rows.scrollToIndex(at), [rows, at]);
  return (
    <nav className="index" aria-label="Answers">
      <h2>Answers</h2>
      <select
        className="form-select form-select-sm mb-1"
        aria-label="In which order"
        value={order}
        onChange={(e) => onOrder(e.target.value as Order)}
      >
        {Object.entries(ORDERS).map(([name, words]) => (
          <option key={name} value={name}>
            {words}
          </option>
        ))}
      </select>
      <div ref={frame} style={{ maxHeight: 'calc(100vh - 150px)', overflow: 'auto' }}>
        <ul style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {rows.getVirtualItems().map(({ index, start }) => {
            const line = lines[index];
            if (!line) return null;
            return (
              <li
                key={keyOf(line)}
                ref={rows.measureElement}
                data-index={index}
                style={{ position: 'absolute', top: start, left: 0, right: 0 }}
              >
                <button type="button" aria-current={index === at} title={reasonOf(line)} onClick={() => onGo(index)}>
                  {line.name ?? `Script ${String(line.script).padStart(2, '0')}`}
                  {line.unsure && <strong className="hand"> unsure</strong>}
                  {line.secondLanguage && <span className="soft"> 2nd language</span>}
                  {severalSlots && <span className="letter">{line.letter}</span>}
                  <small>{line.marks === null ? <span className="hand">waits</span> : marksText(line.marks)}</small>
                </button>
              </li>
            );
          })}
        </ul>
      </div>
    </nav>
  );
}
