'use client';
import { type RefObject, useRef, useState } from 'react';
import { pinched, type View, WHOLE, zoomed } from './view';

/** Two fingers on a paper. */
export interface Fingers {
  /** Takes what a finger does; true while two are down, so that nothing is drawn. */
  moved: (event: { pointerId: number; clientX: number; clientY: number }, is: 'down' | 'move' | 'up') => boolean;
}

/** How a paper is looked at, and what changes it: two fingers, or a button. */
export function useZoom(frame: RefObject<HTMLElement | null>) {
  const [view, setView] = useState<View>(WHOLE);
  const down = useRef(new Map<number, { x: number; y: number }>());

  const moved: Fingers['moved'] = ({ pointerId, clientX, clientY }, is) => {
    const box = frame.current?.getBoundingClientRect();
    if (!box) return false;
    const spot = { x: clientX - box.left, y: clientY - box.top };
    const before = [...down.current.values()];
    if (is === 'up') down.current.delete(pointerId);
    else if (is === 'down' || down.current.has(pointerId)) down.current.set(pointerId, spot);
    const after = [...down.current.values()];
    const [a, b] = before;
    const [c, d] = after;
    if (is === 'move' && a && b && c && d) setView((v) => pinched(v, [a, b], [c, d], box.width, box.height));
    return after.length > 1 || before.length > 1;
  };
  const larger = (): void => {
    const box = frame.current?.getBoundingClientRect();
    if (box) setView((v) => zoomed(v, 1.5, { x: box.width / 2, y: box.height / 2 }, box.width, box.height));
  };
  return { view, fingers: { moved }, larger, whole: () => setView(WHOLE) };
}
