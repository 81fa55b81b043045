'use client';
import { useState } from 'react';
import { rotorPower } from '@/core/simulations/rotor-power';
import { useListening } from '../parts/use-listening';

const RADIUS = 45;
const RATED = 2_000_000;

/** Pitch of the blades, wind and turns, and the power that comes of them. */
export function BladePitch() {
  const [state, setState] = useState({ wind: 9, pitch: 0, turns: 16 });
  const listening = useListening();
  const { watts, cp, ratio } = rotorPower({ ...state, radius: RADIUS });
  const share = Math.min(1, watts / RATED);
  const slider = (name: keyof typeof state, label: string, unit: string, min: number, max: number, step: number) => (
    <label className="d-block mb-2">
      <span className="d-flex justify-content-between">
        {label}
        <strong>
          {state[name]} {unit}
        </strong>
      </span>
      <input
        type="range"
        className="form-range"
        min={min}
        max={max}
        step={step}
        // What is moved before the page listens would stand there and count for nothing.
        disabled={!listening}
        value={state[name]}
        onChange={(e) => setState({ ...state, [name]: Number(e.target.value) })}
      />
    </label>
  );
  return (
    <main className="simulation">
      <h1 className="fs-6 fw-bold">A rotor of 90 m</h1>
      <div className="simulation-parts">
        <svg
          viewBox="-60 -60 120 120"
          role="img"
          aria-label={`A blade turned by ${state.pitch} degrees out of the wind`}
        >
          <line x1="-52" y1="0" x2="-30" y2="0" stroke="currentColor" strokeWidth="2" markerEnd="url(#tip)" />
          <defs>
            <marker id="tip" viewBox="0 0 6 6" refX="5" refY="3" markerWidth="5" markerHeight="5" orient="auto">
              <path d="M0 0L6 3L0 6Z" fill="currentColor" />
            </marker>
          </defs>
          <g transform={`rotate(${-state.pitch})`}>
            <path
              d="M0 -42Q9 -30 6 0Q4 26 0 42Q-3 0 0 -42Z"
              fill="var(--ink-wash)"
              stroke="currentColor"
              strokeWidth="1.5"
            />
          </g>
        </svg>
        <div>
          {slider('wind', 'Wind', 'm/s', 3, 25, 0.5)}
          {slider('pitch', 'Pitch', '°', 0, 30, 1)}
          {slider('turns', 'Turns', 'a minute', 6, 20, 0.5)}
          <p role="status" className="mb-1">
            <strong>{(watts / 1e6).toFixed(2)} MW</strong>{' '}
            {watts > RATED && <span className="hand">more than the generator of 2 MW bears</span>}
          </p>
          <div className="simulation-bar" aria-hidden="true">
            <div style={{ width: `${share * 100}%` }} />
          </div>
          <p className="soft mb-0">
            power coefficient {cp.toFixed(2)}, tip-speed ratio {ratio.toFixed(1)}
          </p>
        </div>
      </div>
    </main>
  );
}
