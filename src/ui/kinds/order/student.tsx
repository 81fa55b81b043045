'use client';
import { rectSortingStrategy, SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { type KeyboardEvent, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { OrderResponse, OrderSheet } from '@/core/kinds/order/order';
import { thingsOf } from '../../placing/things';
import type { ReviewProps, StudentProps } from '../contract';
import { LeaveOut, Line } from './Line';
import { BORDER, inList, movedInList } from './list';
import { DragArea } from '../../parts/DragArea';
import './order.scss';

/** Things in an order of one's own: dragged, moved by their buttons, or taken with Space and moved with the arrows. */
export function Student({ label, sheet, response, onChange, drawn }: StudentProps<OrderSheet, OrderResponse>) {
  const frame = useRef<HTMLOListElement>(null);
  /** What is carried by keys, and where everything stood before. */
  const [carried, setCarried] = useState<{ item: string; before: string[] | null } | null>(null);
  const [said, say] = useState('');
  const given = response?.order ?? [];
  const answered = given.length > 0;
  const items = sheet.items.map((item) => item.id);
  const order = answered ? given : items;
  const list = inList(order, items, sheet.leave);
  const border = list.indexOf(BORDER);
  /** Where something stands among all that can be focused: the border cannot. */
  const seat = (at: number): number => (border >= 0 && at > border ? at - 1 : at);
  const { named, draw, beside } = thingsOf(sheet.items, drawn);
  const nameOf = (item: string): string => named.find(({ id: one }) => one === item)?.name ?? '';
  const placed = (item: string, now: readonly string[]): string =>
    now.includes(item)
      ? `${nameOf(item)} is ${now.indexOf(item) + 1} of ${now.length}.`
      : `${nameOf(item)} is left out.`;
  const move = (from: number, to: number): void => {
    const item = list[from];
    const now = movedInList(list, from, to);
    if (!item || !now) return;
    onChange({ order: now });
    say(placed(item, now));
  };
  const press = (event: KeyboardEvent, at: number): void => {
    const item = list[at] ?? '';
    const step = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[event.key];
    if (event.key === ' ' || event.key === 'Enter') {
      if (carried) say(placed(item, order));
      else say(`${nameOf(item)} taken. The arrows move it, Space puts it down.`);
      if (!answered) onChange({ order });
      setCarried(carried ? null : { item, before: answered ? given : null });
    } else if (event.key === 'Escape' && carried) {
      onChange({ order: carried.before ?? [] });
      setCarried(null);
      say('Everything is where it was.');
    } else if (step && carried) {
      // Before the next key is pressed, however fast.
      flushSync(() => move(at, at + step));
      frame.current?.querySelector<HTMLElement>(`[data-item="${item}"]`)?.focus();
    } else if (step) frame.current?.querySelectorAll<HTMLElement>('[data-item]')[seat(at) + step]?.focus();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div className={`ordering ${sheet.look}`} role="group" aria-label={label}>
      <DragArea onDrop={(item, onto) => move(list.indexOf(item), list.indexOf(onto))}>
        <SortableContext
          items={list}
          strategy={sheet.look === 'down' ? verticalListSortingStrategy : rectSortingStrategy}
        >
          <ol ref={frame}>
            {list.map((item, at) =>
              item === BORDER ? (
                <LeaveOut key={BORDER} empty={at === list.length - 1} />
              ) : (
                <Line
                  key={item}
                  item={item}
                  look={sheet.look}
                  name={nameOf(item)}
                  said={at < border || border < 0 ? `${at + 1}: ${nameOf(item)}` : `left out: ${nameOf(item)}`}
                  first={at === 0}
                  last={sheet.leave ? at > border : at === list.length - 1}
                  carried={carried?.item === item}
                  onKey={(event) => press(event, at)}
                  onLeave={() => setCarried(null)}
                  onMove={(step) => move(at, at + step)}
                  beside={beside(item)}
                >
                  {draw(item)}
                </Line>
              ),
            )}
          </ol>
        </SortableContext>
      </DragArea>
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

export function Review({ sheet, response, drawn }: ReviewProps<OrderSheet, OrderResponse>) {
  const { draw, beside } = thingsOf(sheet.items, drawn);
  const order = response?.order ?? [];
  if (order.length === 0) return <p className="soft">no answer</p>;
  const list = inList(
    order,
    sheet.items.map(({ id }) => id),
    sheet.leave,
  );
  return (
    <div className={`ordering ${sheet.look}`}>
      <ol>
        {list.map((item, at) =>
          item === BORDER ? (
            <LeaveOut key={BORDER} empty={at === list.length - 1} />
          ) : (
            <li key={item}>
              <span className="order-item">{draw(item)}</span>
              {beside(item)}
            </li>
          ),
        )}
      </ol>
    </div>
  );
}
