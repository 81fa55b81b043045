'use client';
import type { KeyboardEvent, PointerEvent, RefObject } from 'react';
import Button from 'react-bootstrap/Button';
import type { PictureLabel } from '@/core/content/document';
import { CheckLine } from '../../parts/CheckLine';

type Place = PictureLabel['at'];

interface Props {
  labels: readonly PictureLabel[];
  onChange: (labels: PictureLabel[]) => void;
}

const within = (value: number): number => Math.round(Math.min(100, Math.max(0, value)) * 10) / 10;

/** Handles over the picture for the words and the ends of their lines: dragged, or moved with the arrow keys. */
export function LabelHandles({ labels, onChange, face }: Props & { face: RefObject<HTMLElement | null> }) {
  const move = (n: number, end: 'at' | 'to', to: Place): void =>
    onChange(labels.map((label, i) => (i === n ? { ...label, [end]: { x: within(to.x), y: within(to.y) } } : label)));
  const drag = (n: number, end: 'at' | 'to') => (event: PointerEvent<HTMLElement>) => {
    event.preventDefault();
    const handle = event.currentTarget;
    const frame = face.current?.getBoundingClientRect();
    if (!frame) return;
    handle.setPointerCapture(event.pointerId);
    const follow = (e: globalThis.PointerEvent): void =>
      move(n, end, {
        x: ((e.clientX - frame.left) / frame.width) * 100,
        y: ((e.clientY - frame.top) / frame.height) * 100,
      });
    handle.addEventListener('pointermove', follow);
    handle.addEventListener('pointerup', () => handle.removeEventListener('pointermove', follow), { once: true });
  };
  const keys = (n: number, end: 'at' | 'to', place: Place) => (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const far = event.shiftKey ? 5 : 1;
    move(n, end, { x: place.x + step[0]! * far, y: place.y + step[1]! * far });
  };
  const handle = (n: number, end: 'at' | 'to', place: Place, name: string) => (
    <span
      key={`${n} ${end}`}
      role="slider"
      tabIndex={0}
      className={`label-handle ${end}`}
      aria-label={name}
      aria-valuenow={place.x}
      aria-valuetext={`${place.x} % from the left, ${place.y} % from above`}
      style={{ left: `${place.x}%`, top: `${place.y}%` }}
      onPointerDown={drag(n, end)}
      onKeyDown={keys(n, end, place)}
    />
  );
  return labels.flatMap(({ text, at, to }, n) => {
    const called = text || `label ${n + 1}`;
    return [
      handle(n, 'at', at, `Move “${called}”`),
      ...(to ? [handle(n, 'to', to, `What “${called}” points at`)] : []),
    ];
  });
}

/** The words over a picture as a list: what they say, with a line or without. */
export function LabelList({ labels, onChange }: Props) {
  const change = (n: number, part: Partial<PictureLabel>): void =>
    onChange(labels.map((label, i) => (i === n ? { ...label, ...part } : label)));
  return (
    <>
      {labels.map((label, n) => (
        <div key={n} className="label-row">
          <input
            className="form-control form-control-sm"
            aria-label={`Label ${n + 1} over the picture`}
            value={label.text}
            maxLength={120}
            onChange={(e) => change(n, { text: e.target.value })}
          />
          <CheckLine
            className="text-nowrap"
            checked={label.to !== null}
            onChange={(on) => change(n, { to: on ? { x: within(label.at.x + 12), y: within(label.at.y + 12) } : null })}
          >
            with a line
          </CheckLine>
          <Button
            variant="quiet"
            aria-label={`Take out label ${n + 1}`}
            onClick={() => onChange(labels.filter((_, i) => i !== n))}
          >
            Take out
          </Button>
        </div>
      ))}
      {labels.length < 40 && (
        <Button
          variant="quiet"
          onClick={() =>
            onChange([...labels, { text: '', at: { x: 25, y: within(12 + labels.length * 8) }, to: { x: 50, y: 50 } }])
          }
        >
          + Label over the picture
        </Button>
      )}
    </>
  );
}
