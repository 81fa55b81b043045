'use client';
import { useEffect } from 'react';
import { toggleLamp } from '../frame/theme';

const LEAST = 0.8;
const MOST = 2;
const LARGE = 1.5;

const KEPT = 'zondaTextScale';

/** Larger and smaller text, and the lamp; remembered on this device. For those with large print it begins large. */
export function ReadingSize({ large, disabled }: { large: boolean; disabled: boolean }) {
  useEffect(() => {
    // What was chosen on this device counts.
    if (large && localStorage.getItem(KEPT) === null)
      document.documentElement.style.setProperty('--text-scale', String(LARGE));
  }, [large]);
  const resize = (step: number): void => {
    const root = document.documentElement;
    const now = Number(localStorage.getItem(KEPT) ?? (large ? LARGE : 1));
    const next = Math.min(MOST, Math.max(LEAST, Math.round((now + step) * 10) / 10));
    root.style.setProperty('--text-scale', String(next));
    localStorage.setItem(KEPT, String(next));
  };
  return (
    <span className="reading d-flex">
      <button
        type="button"
        className="size"
        disabled={disabled}
        style={{ fontSize: '0.85rem' }}
        onClick={() => resize(-0.1)}
        aria-label="Smaller text"
      >
        A−
      </button>
      <button
        type="button"
        className="size"
        disabled={disabled}
        style={{ fontSize: '1.1rem' }}
        onClick={() => resize(0.1)}
        aria-label="Larger text"
      >
        A+
      </button>
      <button type="button" className="size" disabled={disabled} onClick={toggleLamp} aria-label="Lamp or daylight">
        ☾
      </button>
    </span>
  );
}
