'use client';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { type CSSProperties, memo, type MouseEvent, type ReactNode, useCallback } from 'react';
import type { DrawItem } from './PlacingArea';
import { actAndGoOn, Tile } from './Tile';
import { useBoard, useLatestBoard } from './use-placing';

/** Where one goes on after a put by keys: what is left in the list, else where one is. */
const NEXT_TILE = '.item-list .tile:not(:disabled)';

interface Props {
  place: string;
  /** How it is called, for example "place 2, the large box". */
  name: string;
  draw: DrawItem;
  /** Shown at its edge, where places are chosen by number. */
  number?: number;
  style?: CSSProperties;
}

/** A place for one thing. A click puts what is carried; without anything in the hand it takes what stands there. */
export function Place(props: Props) {
  const { placed, items, hand } = useBoard();
  const stands = placed.find((one) => one.place === props.place)?.item ?? null;
  const called = stands === null ? 'empty' : (items.find(({ id }) => id === stands)?.name ?? '');
  return <PlaceButton {...props} stands={stands} called={called} held={hand !== null && hand.from === props.place} />;
}

interface ButtonProps extends Props {
  /** What stands there, and how that is called. */
  stands: string | null;
  called: string;
  held: boolean;
}

/** Of forty places one or two change with a put: the others are not drawn again. */
const PlaceButton = memo(function PlaceButton({ place, name, draw, number, style, stands, called, held }: ButtonProps) {
  const board = useLatestBoard();
  const drop = useDroppable({ id: place });
  const drag = useDraggable({
    id: `${stands ?? ''}@${place}`,
    data: { item: stands, from: place },
    disabled: stands === null,
  });
  const { setNodeRef: setDrop } = drop;
  const { setNodeRef: setDrag } = drag;
  const setRefs = useCallback(
    (node: HTMLElement | null) => {
      setDrop(node);
      setDrag(node);
    },
    [setDrop, setDrag],
  );
  const click = (event: MouseEvent<HTMLElement>): void => {
    const { hand, putOn, take } = board.current;
    if (hand) actAndGoOn(event, () => putOn(place), NEXT_TILE);
    else if (stands !== null) take({ item: stands, from: place });
  };
  return (
    <button
      type="button"
      ref={setRefs}
      data-place={place}
      data-free={stands === null ? '' : undefined}
      data-tile={stands === null ? undefined : `${stands}@${place}`}
      className={`place ${stands === null ? 'free' : 'taken'} ${held ? 'held' : ''} ${drop.isOver ? 'over' : ''}`}
      aria-label={`${name}: ${called}`}
      style={style}
      onClick={click}
      {...drag.listeners}
    >
      {number !== undefined && <span className="number">{number}</span>}
      {stands !== null && draw(stands)}
    </button>
  );
});

interface GroupProps {
  place: string;
  name: string;
  draw: DrawItem;
  /** Its heading. */
  children: ReactNode;
}

/** A place for any number of things, under its heading. */
export function GroupPlace({ place, name, draw, children }: GroupProps) {
  const { placed, items, hand, putOn } = useBoard();
  const { setNodeRef, isOver } = useDroppable({ id: place });
  const here = placed.filter((one) => one.place === place);
  return (
    <div ref={setNodeRef} className={`group-place ${isOver ? 'over' : ''}`}>
      <h4>{children}</h4>
      <ul>
        {here.map(({ item }) => (
          <li key={item}>
            <Tile
              item={item}
              name={`${items.find(({ id }) => id === item)?.name ?? ''}, in ${name}`}
              from={place}
              draw={draw}
            />
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="put-here"
        data-place={place}
        data-free=""
        aria-disabled={hand === null}
        aria-label={`Put it in ${name}`}
        onClick={(event) => {
          if (hand) actAndGoOn(event, () => putOn(place), NEXT_TILE);
        }}
      >
        {hand ? 'put it here' : ''}
      </button>
    </div>
  );
}
