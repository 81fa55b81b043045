'use client';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { type Corners, isSheet, type Point } from '@/core/pictures/straighten';
import { Dialog } from '../../parts/Dialog';
import { PageView } from './PageView';
import type { ShownPage } from './shown-pages';

interface Props {
  shown: ShownPage;
  corners: Corners | null;
  name: string;
  onClose: () => void;
  /** Null: the picture as a whole. */
  onKeep: (corners: [Point, Point, Point, Point] | null) => void;
}

const NAMES = ['upper left', 'upper right', 'lower right', 'lower left'] as const;
const START: Corners = [
  { x: 0.05, y: 0.05 },
  { x: 0.95, y: 0.05 },
  { x: 0.95, y: 0.95 },
  { x: 0.05, y: 0.95 },
];
const STEPS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

const within = (n: number): number => Math.min(1, Math.max(0, n));

/** The corners of the sheet in the picture: dragged, or moved by arrows (by more with Shift); what comes of it beside it. */
export default function CropDialog({ shown, corners, name, onClose, onKeep }: Props) {
  const [now, setNow] = useState<Corners>(corners ?? START);
  const [taken, setTaken] = useState<number | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const put = (index: number, to: Point): void => {
    const next = now.map((corner, i) =>
      i === index ? { x: within(to.x), y: within(to.y) } : corner,
    ) as unknown as Corners;
    // Corners that cross make no sheet: the last place that did stays.
    if (isSheet(next)) setNow(next);
  };
  const drag = (e: PointerEvent): void => {
    const box = frame.current?.getBoundingClientRect();
    if (taken === null || !box) return;
    put(taken, { x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height });
  };
  const keys = (index: number) => (e: KeyboardEvent) => {
    const step = STEPS[e.key];
    const at = now[index];
    if (!step || !at) return;
    e.preventDefault();
    const far = e.shiftKey ? 0.05 : 0.005;
    put(index, { x: at.x + step.x * far, y: at.y + step.y * far });
  };
  return (
    <Dialog
      title={`The sheet in ${name}`}
      size="xl"
      onClose={onClose}
      acts={
        <>
          <Button variant="quiet" onClick={() => onKeep(null)}>
            Show all of the picture
          </Button>
          <Button onClick={() => onKeep(now.map(({ x, y }) => ({ x, y })) as [Point, Point, Point, Point])}>
            Crop to these corners
          </Button>
        </>
      }
    >
      <div className="crop">
        <div
          ref={frame}
          className="crop-frame"
          onPointerMove={drag}
          onPointerUp={() => setTaken(null)}
          onPointerLeave={() => setTaken(null)}
        >
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture of this device; there is nothing to optimise */}
          <img src={shown.url} alt={name} draggable={false} />
          <svg viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden="true">
            <polygon points={now.map(({ x, y }) => `${x},${y}`).join(' ')} />
          </svg>
          {now.map(({ x, y }, i) => (
            <button
              key={NAMES[i]}
              type="button"
              aria-label={`${NAMES[i]} corner: ${Math.round(x * 100)} across, ${Math.round(y * 100)} down`}
              style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
              onPointerDown={(e) => {
                e.preventDefault();
                e.currentTarget.focus();
                setTaken(i);
              }}
              onKeyDown={keys(i)}
            />
          ))}
        </div>
        <div className="crop-result">
          <p className="soft">as it will be read</p>
          <PageView page={{ turn: 0, corners: [...now], name }} shown={shown} width={240} />
        </div>
      </div>
    </Dialog>
  );
}
