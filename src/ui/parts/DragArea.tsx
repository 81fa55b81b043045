'use client';
import { closestCenter, type CollisionDetection, DndContext } from '@dnd-kit/core';
import { type ReactNode, useId, useMemo } from 'react';
import { useDragSensors } from './drag-sensors';
import { BY_KEYS, dragWords, QUIET } from './drag-words';
import { useLatest } from './use-latest';

interface Props {
  /** What stands in it, and what it is dropped on, are called; then it can be moved by keys, too, and is spoken of. Else the area says itself what happens. */
  called?: (id: string) => string;
  /** On which of the places something is that hangs over them: the nearest, if nothing else is said. */
  detect?: CollisionDetection;
  onDrop: (moved: string, onto: string) => void;
  children: ReactNode;
}

/** Where things are dragged to places, each known by its id. */
export function DragArea({ called, detect = closestCenter, onDrop, children }: Props) {
  const id = useId();
  const byKeys = called !== undefined;
  const sensors = useDragSensors(byKeys);
  const latest = useLatest(called);
  const accessibility = useMemo(
    () => ({
      announcements: byKeys ? dragWords((one) => latest.current?.(one) ?? '') : QUIET,
      screenReaderInstructions: { draggable: byKeys ? BY_KEYS : '' },
    }),
    [byKeys, latest],
  );
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={detect}
      accessibility={accessibility}
      onDragEnd={({ active, over }) => over && onDrop(String(active.id), String(over.id))}
    >
      {children}
    </DndContext>
  );
}
