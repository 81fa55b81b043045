'use client';
import { useSortable } from '@dnd-kit/sortable';
import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, GripVertical } from 'lucide-react';
import type { KeyboardEvent, ReactNode } from 'react';
import type { OrderLook } from '@/core/kinds/order/order';
import { BORDER } from './list';

interface LineProps {
  item: string;
  look: OrderLook;
  name: string;
  /** What is said of it and where it stands. */
  said: string;
  first: boolean;
  last: boolean;
  carried: boolean;
  onKey: (event: KeyboardEvent) => void;
  onLeave: () => void;
  onMove: (step: number) => void;
  /** The button of a sound. */
  beside: ReactNode;
  children: ReactNode;
}

/** One of what is put in order. */
export function Line({
  item,
  look,
  name,
  said,
  first,
  last,
  carried,
  onKey,
  onLeave,
  onMove,
  beside,
  children,
}: LineProps) {
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: item });
  const [Earlier, Later] = look === 'down' ? [ArrowUp, ArrowDown] : [ArrowLeft, ArrowRight];
  return (
    <li
      ref={setNodeRef}
      className={carried || isDragging ? 'held' : ''}
      style={{ transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined, transition }}
    >
      <span
        className="order-item"
        role="button"
        tabIndex={0}
        data-item={item}
        aria-pressed={carried}
        aria-label={said}
        onKeyDown={onKey}
        onBlur={(event) => event.relatedTarget && onLeave()}
        {...listeners}
      >
        <GripVertical size={16} aria-hidden /> <span>{children}</span>
      </span>
      {beside}
      <button type="button" aria-label={`${name}: earlier`} disabled={first} onClick={() => onMove(-1)}>
        <Earlier size={18} aria-hidden />
      </button>
      <button type="button" aria-label={`${name}: later`} disabled={last} onClick={() => onMove(1)}>
        <Later size={18} aria-hidden />
      </button>
    </li>
  );
}

/** The border below which stands what is left out. */
export function LeaveOut({ empty }: { empty: boolean }) {
  const { setNodeRef } = useSortable({ id: BORDER, disabled: { draggable: true } });
  return (
    <li ref={setNodeRef} className="order-border">
      {empty ? 'What does not belong goes below this line.' : 'Left out:'}
    </li>
  );
}
