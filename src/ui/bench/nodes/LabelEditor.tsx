'use client';
import type { RefObject } from 'react';
import Button from 'react-bootstrap/Button';
import type { PictureLabel } from '@/core/content/document';
import { CheckLine } from '../../parts/CheckLine';
import { Handle } from '../../placing/Handle';

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
  const handle = (n: number, end: 'at' | 'to', place: Place, name: string) => (
    <Handle
      key={`${n} ${end}`}
      label={name}
      at={place}
      frame={face}
      className={`label-handle ${end}`}
      onMove={(to) => move(n, end, to)}
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
