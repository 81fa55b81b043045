'use client';
import { type RefObject, useLayoutEffect, useState } from 'react';

interface Line {
  path: string;
  x: number;
  y: number;
}

/** The thin line from the selected slot on the sheet to its note in the margin. `watch` changes when the sheet does. */
export function Pointer({
  bench,
  selected,
  watch,
}: {
  bench: RefObject<HTMLDivElement | null>;
  selected: string | null;
  watch: unknown;
}) {
  const [line, setLine] = useState<Line | null>(null);
  useLayoutEffect(() => {
    const measure = (): void => {
      const root = bench.current;
      const slot = selected && root?.querySelector(`[data-slot="${selected}"] > :last-child`);
      const note = selected && root?.querySelector(`[data-note="${selected}"] h3`);
      if (!root || !slot || !note) return setLine(null);
      const origin = root.getBoundingClientRect();
      const a = slot.getBoundingClientRect();
      const b = note.getBoundingClientRect();
      if (b.left <= a.right) return setLine(null);
      // Beside a slot in a line there are words: the line goes below them, from the lower corner of the slot.
      const inline = slot.closest('.slot-node.inline') !== null;
      const x = a.right - origin.left + (inline ? -6 : 3);
      const y = (inline ? a.bottom + 3 : a.top + a.height / 2) - origin.top;
      const endX = b.left - origin.left - 14;
      const endY = b.top + b.height / 2 - origin.top;
      const turn = endX - 18;
      setLine({ path: `M${x} ${y} H${turn - 10} C${turn + 8} ${y} ${turn - 4} ${endY} ${endX} ${endY}`, x, y });
    };
    // Whatever grows or shrinks on the sheet moves the slot; watching it measures at once, too.
    const grown = new ResizeObserver(measure);
    for (const part of bench.current?.querySelectorAll('.sheet, .margin .note') ?? []) grown.observe(part);
    window.addEventListener('resize', measure);
    const margin = bench.current?.querySelector('.margin');
    margin?.addEventListener('scroll', measure);
    window.addEventListener('scroll', measure);
    return () => {
      grown.disconnect();
      window.removeEventListener('resize', measure);
      margin?.removeEventListener('scroll', measure);
      window.removeEventListener('scroll', measure);
    };
  }, [bench, selected, watch]);
  if (!line) return null;
  return (
    <svg className="pointer" aria-hidden="true">
      <path d={line.path} />
      <circle cx={line.x} cy={line.y} r="3" />
    </svg>
  );
}
