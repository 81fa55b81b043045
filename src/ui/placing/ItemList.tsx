'use client';
import { useDroppable } from '@dnd-kit/core';
import type { ReactNode } from 'react';
import { type DrawItem, LIST } from './PlacingArea';
import { Tile } from './Tile';
import { useBoard } from './use-placing';

interface Props {
  title: string;
  draw: DrawItem;
  /** What stands beside an item: the button of a sound. */
  beside?: (item: string) => ReactNode;
}

/** What there is to place. What was placed keeps its room here, so that nothing jumps. */
export function ItemList({ title, draw, beside }: Props) {
  const { items, placed, again, hand, back } = useBoard();
  const { setNodeRef, isOver } = useDroppable({ id: LIST });
  const left = items.filter(({ id }) => !placed.some(({ item }) => item === id)).length;
  const carried = hand !== null && hand.from !== null;
  return (
    <div ref={setNodeRef} className={`item-list ${isOver && carried ? 'over' : ''}`}>
      <p className="item-list-head">
        <span>{title}</span>
        {carried ? (
          <button type="button" className="btn btn-quiet btn-sm" onClick={() => back()}>
            Put it back here
          </button>
        ) : (
          <span className="soft">{again ? 'each as often as you like' : `${left} left`}</span>
        )}
      </p>
      <ul>
        {items.map(({ id, name }) => (
          <li key={id}>
            <Tile
              item={id}
              name={name}
              from={null}
              used={!again && placed.some(({ item }) => item === id)}
              draw={draw}
            />
            {beside?.(id)}
          </li>
        ))}
      </ul>
    </div>
  );
}
