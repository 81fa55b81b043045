'use client';
import { type ReactNode, useRef, useState } from 'react';
import type { Anchor, Pinned } from '@/core/content/anchors';
import { clock } from '@/core/content/recordings';
import './recording.scss';

interface Props {
  url: string;
  /** Where another form of it can be had, for browsers that do not play this one. */
  second?: string | undefined;
  film: boolean;
  label: string;
  /** In seconds; 0 where it is not known. */
  seconds: number;
  remarks?: readonly Pinned[];
  onPin?: ((anchor: Anchor) => void) | undefined;
  /** Is told where it plays. */
  onTime?: (seconds: number) => void;
  children?: ReactNode;
}

const SPEEDS = [0.5, 0.75, 1, 1.25, 1.5, 2];
const JUMP = 3;

/** A recording at any speed, with a way back and forth, and the seconds that remarks are about. */
export function Player({ url, second, film, label, seconds, remarks = [], onPin, onTime, children }: Props) {
  const player = useRef<HTMLMediaElement | null>(null);
  const [at, setAt] = useState(0);
  const [length, setLength] = useState(seconds);
  const [failed, setFailed] = useState<readonly string[]>([]);
  const forms = second ? [url, second] : [url];
  const playing = forms.find((form) => !failed.includes(form));
  const to = (second: number): void => {
    if (player.current) player.current.currentTime = Math.max(0, second);
  };
  const common = {
    ref: (element: HTMLMediaElement | null) => {
      player.current = element;
    },
    controls: true,
    src: playing ?? url,
    'aria-label': label,
    onTimeUpdate: () => {
      const now = player.current?.currentTime ?? 0;
      setAt(now);
      onTime?.(now);
    },
    onError: () => playing && setFailed([...failed, playing]),
    onLoadedMetadata: () => {
      const told = player.current?.duration ?? 0;
      // What a browser records does not say how long it is.
      if (Number.isFinite(told) && told > 0) setLength(told);
    },
  };
  const marks = remarks.flatMap(({ id, number, anchor }) =>
    anchor.at === 'seconds' ? [{ id, number, from: anchor.from }] : [],
  );
  return (
    <div className="player">
      {film ? <video {...common} /> : <audio {...common} />}
      {failed.length > 0 && (
        <p className="hand mb-0" role="status">
          {playing
            ? 'This browser does not play it as it was recorded; this is another form of it.'
            : 'This browser cannot play it. Save the file and play it with another program.'}
        </p>
      )}
      <div className="acts">
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => to(at - JUMP)}>
          ‹ {JUMP} s
        </button>
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => to(at + JUMP)}>
          {JUMP} s ›
        </button>
        <select
          className="form-select form-select-sm"
          aria-label="Speed"
          defaultValue={1}
          onChange={(e) => {
            if (player.current) player.current.playbackRate = Number(e.target.value);
          }}
        >
          {SPEEDS.map((speed) => (
            <option key={speed} value={speed}>
              {speed} ×
            </option>
          ))}
        </select>
        {onPin && (
          <button
            type="button"
            className="btn btn-outline-primary btn-sm"
            onClick={() => {
              player.current?.pause();
              onPin({ at: 'seconds', from: Math.floor(at * 10) / 10, to: Math.floor(at * 10) / 10 });
            }}
          >
            Remark at {clock(at)}
          </button>
        )}
        {children}
      </div>
      {marks.length > 0 && (
        <ol className="seconds" aria-label="Seconds with a remark">
          {marks.map((one) => (
            <li key={one.id} style={length > 0 ? { left: `${Math.min(100, (100 * one.from) / length)}%` } : {}}>
              <button
                type="button"
                aria-label={`Remark ${one.number}, at ${clock(one.from)}`}
                onClick={() => to(one.from)}
              >
                {one.number}
              </button>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}
