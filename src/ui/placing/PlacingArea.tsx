'use client';
import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  type DragStartEvent,
  getClientRect,
  pointerWithin,
} from '@dnd-kit/core';
import { type KeyboardEvent, type ReactNode, useId, useRef } from 'react';
import type { Hand } from './placing';
import { placeByNumber } from './placing';
import { useLatest } from '../parts/use-latest';
import { LatestContext, type Placing, PlacingContext } from './use-placing';
import { useDragSensors } from '../parts/drag-sensors';
import { QUIET } from '../parts/drag-words';
import './placing.scss';

/** The list of what is left to place, as a place to drop on. */
export const LIST = 'list';

/** How an item is drawn, wherever it stands. */
export type DrawItem = (item: string) => ReactNode;

interface Props {
  placing: Placing;
  label: string;
  draw: DrawItem;
  className?: string;
  children: ReactNode;
}

const ofDrag = ({ active }: DragStartEvent | DragEndEvent): Hand => active.data.current as Hand;

/**
 * Where things are taken and put: dragged, tapped (what, then where), or by
 * keys (Enter or Space takes, arrows or a number choose the place, Enter puts,
 * Esc leaves everything as it was). What happens is said (WCAG 2.2, 2.1.1, 2.5.7, 4.1.3).
 */
export function PlacingArea({ placing, label, draw, className = '', children }: Props) {
  const id = useId();
  const area = useRef<HTMLDivElement>(null);
  const typed = useRef('');
  const latest = useLatest(placing);
  const sensors = useDragSensors();
  const places = (): HTMLElement[] => [...(area.current?.querySelectorAll<HTMLElement>('[data-place]') ?? [])];

  const press = (event: KeyboardEvent): void => {
    if (!placing.hand || event.ctrlKey || event.altKey || event.metaKey) return;
    const all = places();
    const here = all.indexOf(document.activeElement as HTMLElement);
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    const numbered = /^\d$/.test(event.key)
      ? placeByNumber(
          typed.current,
          event.key,
          placing.places.map((p) => p.id),
        )
      : null;
    if (event.key === 'Escape') {
      const { item, from } = placing.hand;
      placing.letGo();
      area.current?.querySelector<HTMLElement>(`[data-tile="${item}@${from ?? ''}"]`)?.focus();
    } else if (step) all[(here + step + all.length) % all.length]?.focus();
    else if (numbered) {
      typed.current = numbered.typed;
      all[numbered.at]?.focus();
    } else {
      typed.current = '';
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  };
  const dropped = (event: DragEndEvent): void => {
    const over = event.over?.id;
    if (over === undefined) placing.letGo();
    else if (over === LIST) placing.back(ofDrag(event));
    else placing.putOn(String(over), ofDrag(event));
  };
  return (
    <PlacingContext value={placing}>
      <DndContext
        id={id}
        sensors={sensors}
        collisionDetection={pointerWithin}
        measuring={AS_IT_STANDS}
        accessibility={{ announcements: QUIET, screenReaderInstructions: { draggable: '' } }}
        onDragStart={(event) => placing.take(ofDrag(event))}
        onDragEnd={dropped}
        onDragCancel={placing.letGo}
      >
        <div
          ref={area}
          role="group"
          aria-label={label}
          className={`placing ${placing.hand ? 'carrying' : ''} ${className}`}
          onKeyDown={press}
        >
          <LatestContext value={latest}>{children}</LatestContext>
          <p role="status" className="visually-hidden">
            {placing.said}
          </p>
        </div>
        <DragOverlay dropAnimation={null}>
          {placing.hand && <span className="tile carried">{draw(placing.hand.item)}</span>}
        </DragOverlay>
      </DndContext>
    </PlacingContext>
  );
}

/** Places may be shifted by CSS; they are where they are seen. */
const AS_IT_STANDS = { droppable: { measure: getClientRect } };
