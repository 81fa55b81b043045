'use client';
import type { KeyboardEvent, RefObject } from 'react';
import { alongEdge, type Area, cornersOf } from '@/core/kinds/spots/areas';
import { Handle } from '../../placing/Handle';

interface Props {
  area: Area;
  number: number;
  frame: RefObject<HTMLElement | null>;
  /** Whether the corners of a free shape can be taken. */
  chosen: boolean;
  onChoose: () => void;
  onChange: (area: Area) => void;
  onTakeOut: () => void;
}

/** What an area is taken by: its number moves it, its lower right corner makes it larger, the corners of a free shape bend its edge. */
export function AreaHandles({ area, number, frame, chosen, onChoose, onChange, onTakeOut }: Props) {
  const takeOut = (event: KeyboardEvent): void => {
    if (event.key !== 'Delete' && event.key !== 'Backspace') return;
    event.preventDefault();
    event.stopPropagation();
    onTakeOut();
  };
  const corners = area.shape === 'free' && chosen ? cornersOf(area) : [];
  return (
    <>
      <Handle
        className="area-handle"
        label={`Area ${number}, ${area.right ? 'right' : 'wrong'}`}
        at={{ x: area.x, y: area.y }}
        frame={frame}
        onTake={onChoose}
        onMove={({ x, y }) => onChange({ ...area, x: within(x), y: within(y) })}
        onKey={takeOut}
      >
        {number}
      </Handle>
      <Handle
        pointerOnly
        className="size-handle"
        label={`Size of area ${number}`}
        at={{ x: area.x + area.width / 2, y: area.y + area.height / 2 }}
        frame={frame}
        onMove={({ x, y }) =>
          onChange({ ...area, width: within(2 * Math.abs(x - area.x)), height: within(2 * Math.abs(y - area.y)) })
        }
      />
      {corners.map((corner, i) => (
        <Handle
          key={i}
          className="corner-handle"
          label={`Corner ${i + 1} of area ${number}`}
          at={corner}
          frame={frame}
          onMove={(to) => onChange(alongEdge(area, corners.with(i, to)))}
        />
      ))}
    </>
  );
}

/** In tenths of a percent, on the picture. */
export const within = (percent: number): number => Math.round(Math.min(100, Math.max(0, percent)) * 10) / 10;
