'use client';
import { type KeyboardEvent, type MouseEvent, useRef } from 'react';
import { flushSync } from 'react-dom';
import type { Point } from '@/core/kinds/spots/areas';
import type { SpotsResponse, SpotsSheet } from '@/core/kinds/spots/spots';
import { Handle, spotIn } from '../../placing/Handle';
import { plural } from '../../words/marks';
import type { ReviewProps, StudentProps } from '../contract';
import { Picture } from './Picture';
import '../../placing/placing.scss';

const tenths = (value: number): number => Math.round(Math.min(100, Math.max(0, value)) * 10) / 10;
const onPicture = ({ x, y }: Point): Point => ({ x: tenths(x), y: tenths(y) });

/** Points on a picture: set by a click or a tap, dragged, moved with the arrows, taken away with Delete. */
export function Student({ label, sheet, response, onChange }: StudentProps<SpotsSheet, SpotsResponse>) {
  const { picture, most } = sheet;
  const face = useRef<HTMLDivElement>(null);
  const points = response?.points ?? [];
  if (!picture) return <p className="soft">There is no picture here.</p>;
  const full = points.length >= most;
  const set = (next: Point[]): void => onChange({ points: next });
  const put = (at: Point): void => {
    // With one point to set, another click moves it.
    if (most === 1) set([onPicture(at)]);
    else if (!full) set([...points, onPicture(at)]);
  };
  const click = (event: MouseEvent<HTMLDivElement>): void => {
    if (face.current && !(event.target as Element).closest('.spot')) put(spotIn(face.current, event));
  };
  const takeAway = (event: KeyboardEvent, at: number): void => {
    if (event.key !== 'Delete' && event.key !== 'Backspace') return;
    event.preventDefault();
    set(points.filter((_, i) => i !== at));
  };
  return (
    <div role="group" aria-label={label} className="mb-2">
      <Picture picture={picture} face={face} onClick={click}>
        {points.map((at, i) => (
          <Handle
            key={i}
            className="spot"
            label={`Point ${i + 1}`}
            at={at}
            frame={face}
            onMove={(to) => set(points.map((one, n) => (n === i ? onPicture(to) : one)))}
            onKey={(event) => takeAway(event, i)}
          >
            {most > 1 && <span>{i + 1}</span>}
          </Handle>
        ))}
      </Picture>
      <p className="picture-tools" role="status">
        <span className="soft">
          {points.length} of {plural(most, 'point')} set
        </span>
        <button
          type="button"
          className="picture-act"
          disabled={full}
          onClick={() => {
            flushSync(() => put({ x: 50, y: 50 }));
            face.current?.querySelectorAll<HTMLElement>('.spot')[points.length]?.focus();
          }}
        >
          Set a point in the middle
        </button>
        {points.length > 0 && (
          <button type="button" className="picture-act" onClick={() => set(points.slice(0, -1))}>
            Take the last one away
          </button>
        )}
      </p>
    </div>
  );
}

export function Review({ sheet, response }: ReviewProps<SpotsSheet, SpotsResponse>) {
  if (!sheet.picture) return <p className="soft">There is no picture here.</p>;
  return (
    <div className="mb-2">
      <Picture picture={sheet.picture} review>
        {(response?.points ?? []).map(({ x, y }, i) => (
          <span key={i} className="spot" style={{ left: `${x}%`, top: `${y}%` }}>
            <span>{i + 1}</span>
          </span>
        ))}
      </Picture>
    </div>
  );
}
