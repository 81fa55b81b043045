'use client';
import { useDraggable } from '@dnd-kit/core';
import { memo, type MouseEvent } from 'react';
import { flushSync } from 'react-dom';
import type { DrawItem } from './PlacingArea';
import { useBoard, useLatestBoard } from './use-placing';

/**
 * Does what a click means. One that came from the keyboard, with no pointer
 * behind it, goes on at the first of these that there is then, before the next
 * key is pressed.
 */
export function actAndGoOn(event: MouseEvent<HTMLElement>, act: () => void, ...selectors: string[]): void {
  if (event.detail > 0) return act();
  const area = event.currentTarget.closest('.placing');
  flushSync(act);
  for (const selector of selectors) {
    const next = area?.querySelector<HTMLElement>(selector);
    if (next) return next.focus();
  }
}

interface Props {
  item: string;
  name: string;
  /** The place on which it stands; null in the list. */
  from: string | null;
  /** It stands somewhere already and can be used once. */
  used?: boolean;
  draw: DrawItem;
}

/** Something that can be taken: from the list, or from where it stands. */
export function Tile({ used = false, ...props }: Props) {
  const { hand } = useBoard();
  return <TileButton {...props} used={used} held={hand?.item === props.item && hand.from === props.from} />;
}

/** Of sixty tiles one changes with a put: the others are not drawn again. */
const TileButton = memo(function TileButton({
  item,
  name,
  from,
  used,
  held,
  draw,
}: Required<Props> & { held: boolean }) {
  const board = useLatestBoard();
  const { setNodeRef, listeners } = useDraggable({ id: `${item}@${from ?? ''}`, data: { item, from }, disabled: used });
  return (
    <button
      type="button"
      ref={setNodeRef}
      className={`tile ${held ? 'held' : ''} ${used ? 'used' : ''}`}
      data-tile={`${item}@${from ?? ''}`}
      aria-pressed={held}
      aria-label={used ? `${name}, placed` : name}
      disabled={used}
      onClick={(event) => {
        if (held) return board.current.letGo();
        actAndGoOn(event, () => board.current.take({ item, from }), '[data-place][data-free]', '[data-place]');
      }}
      {...listeners}
    >
      {draw(item)}
    </button>
  );
});
