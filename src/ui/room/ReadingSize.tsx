'use client';
import { toggleLamp } from '../frame/theme';

const LEAST = 0.8;
const MOST = 2;

/** Larger and smaller text, and the lamp; remembered on this device. */
export function ReadingSize() {
  const resize = (step: number): void => {
    const root = document.documentElement;
    const now = Number(localStorage.getItem('zondaTextScale') ?? 1);
    const next = Math.min(MOST, Math.max(LEAST, Math.round((now + step) * 10) / 10));
    root.style.setProperty('--text-scale', String(next));
    localStorage.setItem('zondaTextScale', String(next));
  };
  return (
    <span className="reading d-flex">
      <button
        type="button"
        className="size"
        style={{ fontSize: '0.85rem' }}
        onClick={() => resize(-0.1)}
        aria-label="Smaller text"
      >
        A−
      </button>
      <button
        type="button"
        className="size"
        style={{ fontSize: '1.1rem' }}
        onClick={() => resize(0.1)}
        aria-label="Larger text"
      >
        A+
      </button>
      <button type="button" className="size" onClick={toggleLamp} aria-label="Lamp or daylight">
        ☾
      </button>
    </span>
  );
}
