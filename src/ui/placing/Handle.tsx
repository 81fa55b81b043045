'use client';
import type { CSSProperties, KeyboardEvent, PointerEvent, ReactNode, RefObject } from 'react';
import { useLatest } from '../parts/use-latest';

/** A spot in percent of a frame, from its upper left corner. */
export interface FrameSpot {
  x: number;
  y: number;
}

interface Props {
  label: string;
  at: FrameSpot;
  /** What the percents are of. */
  frame: RefObject<HTMLElement | null>;
  onMove: (to: FrameSpot) => void;
  /** Keys other than the arrows. */
  onKey?: (event: KeyboardEvent) => void;
  onTake?: () => void;
  /** For the pointer only: the same can be set by numbers elsewhere. */
  pointerOnly?: boolean;
  className?: string;
  /** Where it is drawn, when that is not with its middle at its spot. */
  style?: CSSProperties;
  children?: ReactNode;
}

/** Where a pointer is, in percent of a frame. */
export function spotIn(frame: HTMLElement, { clientX, clientY }: { clientX: number; clientY: number }): FrameSpot {
  const { left, top, width, height } = frame.getBoundingClientRect();
  return { x: ((clientX - left) / width) * 100, y: ((clientY - top) / height) * 100 };
}

/** Something over a picture that is dragged, or moved with the arrow keys, with Shift five times as far. */
export function Handle({
  label,
  at,
  frame,
  onMove,
  onKey,
  onTake,
  pointerOnly = false,
  className = '',
  style,
  children,
}: Props) {
  // What a move means may change on the way, as the frame does.
  const latest = useLatest(onMove);
  const drag = (event: PointerEvent<HTMLElement>): void => {
    event.preventDefault();
    // A second finger moves nothing.
    if (!event.isPrimary) return event.stopPropagation();
    event.stopPropagation();
    onTake?.();
    const handle = event.currentTarget;
    handle.focus();
    handle.setPointerCapture(event.pointerId);
    const held = frame.current && spotIn(frame.current, event);
    const follow = (e: globalThis.PointerEvent): void => {
      if (!frame.current || !held || e.pointerId !== event.pointerId) return;
      // It is held where it was taken, wherever that is on it.
      const to = spotIn(frame.current, e);
      latest.current({ x: at.x + to.x - held.x, y: at.y + to.y - held.y });
    };
    const end = (): void => {
      handle.removeEventListener('pointermove', follow);
      handle.removeEventListener('pointercancel', end);
    };
    handle.addEventListener('pointermove', follow);
    handle.addEventListener('pointerup', end, { once: true });
    handle.addEventListener('pointercancel', end, { once: true });
  };
  const press = (event: KeyboardEvent): void => {
    const [x, y] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key] ?? [];
    if (x === undefined || y === undefined) return onKey?.(event);
    event.preventDefault();
    event.stopPropagation();
    const far = event.shiftKey ? 5 : 1;
    onMove({ x: at.x + x * far, y: at.y + y * far });
  };
  return (
    <span
      role="slider"
      tabIndex={pointerOnly ? -1 : 0}
      aria-hidden={pointerOnly || undefined}
      className={`handle ${className}`}
      aria-label={label}
      aria-valuenow={Math.round(at.x)}
      aria-valuetext={`${Math.round(at.x)} % from the left, ${Math.round(at.y)} % from above`}
      style={{ left: `${at.x}%`, top: `${at.y}%`, ...style }}
      onPointerDown={drag}
      onFocus={onTake}
      onKeyDown={press}
    >
      {children}
    </span>
  );
}
