'use client';
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { rectSortingStrategy, SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, GripVertical } from 'lucide-react';
import { type KeyboardEvent, type ReactNode, useId, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { OrderLook, OrderResponse, OrderSheet } from '@/core/kinds/order/order';
import { moved } from '../../parts/rows';
import { thingsOf } from '../../placing/things';
import type { ReviewProps, StudentProps } from '../contract';
import './order.scss';

/** Things in an order of one's own: dragged, moved by their buttons, or taken with Space and moved with the arrows. */
export function Student({ label, sheet, response, onChange, drawn }: StudentProps<OrderSheet, OrderResponse>) {
  const id = useId();
  const list = useRef<HTMLOListElement>(null);
  /** What is carried by keys, and where everything stood before. */
  const [carried, setCarried] = useState<{ item: string; before: string[] | null } | null>(null);
  const [said, say] = useState('');
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const given = response?.order ?? [];
  const answered = given.length > 0;
  const order = answered ? given : sheet.items.map((item) => item.id);
  const { named, draw, beside } = thingsOf(sheet.items, drawn);
  const rows = order.flatMap((one) => named.find((item) => item.id === one) ?? []);
  const move = (from: number, to: number): void => {
    if (from < 0 || to < 0 || to >= rows.length) return;
    onChange({ order: moved(rows, from, to).map((row) => row.id) });
    say(`${rows[from]?.name} is ${to + 1} of ${rows.length}.`);
  };
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (over) move(order.indexOf(String(active.id)), order.indexOf(String(over.id)));
  };
  const press = (event: KeyboardEvent, at: number): void => {
    const item = order[at] ?? '';
    const step = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[event.key];
    if (event.key === ' ' || event.key === 'Enter') {
      if (carried) say(`${rows[at]?.name} is ${at + 1} of ${rows.length}.`);
      else say(`${rows[at]?.name} taken. The arrows move it, Space puts it down.`);
      if (!answered) onChange({ order });
      setCarried(carried ? null : { item, before: answered ? given : null });
    } else if (event.key === 'Escape' && carried) {
      onChange({ order: carried.before ?? [] });
      setCarried(null);
      say('Everything is where it was.');
    } else if (step && carried) {
      // Before the next key is pressed, however fast.
      flushSync(() => move(at, at + step));
      list.current?.querySelector<HTMLElement>(`[data-item="${item}"]`)?.focus();
    } else if (step) list.current?.querySelectorAll<HTMLElement>('[data-item]')[at + step]?.focus();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div className={`ordering ${sheet.look}`} role="group" aria-label={label}>
      <DndContext id={id} sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext
          items={order}
          strategy={sheet.look === 'down' ? verticalListSortingStrategy : rectSortingStrategy}
        >
          <ol ref={list}>
            {rows.map((row, at) => (
              <Line
                key={row.id}
                item={row.id}
                look={sheet.look}
                name={row.name}
                at={at}
                last={at === rows.length - 1}
                carried={carried?.item === row.id}
                onKey={(event) => press(event, at)}
                onLeave={() => setCarried(null)}
                onMove={(step) => move(at, at + step)}
                beside={beside(row.id)}
              >
                {draw(row.id)}
              </Line>
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <p className="order-state">
        {answered ? (
          <button type="button" className="btn btn-quiet btn-sm" onClick={() => onChange({ order: [] })}>
            Begin anew
          </button>
        ) : (
          <>
            <span className="soft">Not answered yet.</span>{' '}
            <button type="button" className="btn btn-quiet btn-sm" onClick={() => onChange({ order })}>
              It is right as it stands
            </button>
          </>
        )}
      </p>
      <p role="status" className="visually-hidden">
        {said}
      </p>
    </div>
  );
}

interface LineProps {
  item: string;
  look: OrderLook;
  name: string;
  at: number;
  last: boolean;
  carried: boolean;
  onKey: (event: KeyboardEvent) => void;
  onLeave: () => void;
  onMove: (step: number) => void;
  /** The button of a sound. */
  beside: ReactNode;
  children: ReactNode;
}

function Line({ item, look, name, at, last, carried, onKey, onLeave, onMove, beside, children }: LineProps) {
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
        aria-label={`${at + 1}: ${name}`}
        onKeyDown={onKey}
        onBlur={(event) => event.relatedTarget && onLeave()}
        {...listeners}
      >
        <GripVertical size={16} aria-hidden /> <span>{children}</span>
      </span>
      {beside}
      <button type="button" aria-label={`${name}: earlier`} disabled={at === 0} onClick={() => onMove(-1)}>
        <Earlier size={18} aria-hidden />
      </button>
      <button type="button" aria-label={`${name}: later`} disabled={last} onClick={() => onMove(1)}>
        <Later size={18} aria-hidden />
      </button>
    </li>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<OrderSheet, OrderResponse>) {
  const { draw, beside } = thingsOf(sheet.items, drawn);
  const order = response?.order ?? [];
  if (order.length === 0) return <p className="soft">no answer</p>;
  return (
    <div className={`ordering ${sheet.look}`}>
      <ol>
        {order.map((item) => (
          <li key={item}>
            <span className="order-item">{draw(item)}</span>
            {beside(item)}
          </li>
        ))}
      </ol>
    </div>
  );
}
