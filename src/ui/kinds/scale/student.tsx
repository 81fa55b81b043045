'use client';
import type { ScaleResponse, ScaleSheet } from '@/core/kinds/scale/scale';
import type { ReviewProps, StudentProps } from '../contract';
import './scale.scss';

/** Where the slider rests until it is moved: nearest to the middle. */
function restingPlace({ from, to, step }: ScaleSheet): number {
  return from + Math.round((to - from) / 2 / step) * step;
}

export function Student({ id, label, sheet, response, onChange }: StudentProps<ScaleSheet, ScaleResponse>) {
  const value = response?.value ?? null;
  const shown = value ?? restingPlace(sheet);
  const set = (typed: string): void => onChange({ value: Number(typed) });
  return (
    <span className="scale-slot">
      <span className="scale-line">
        <span className="scale-end">{sheet.lowest}</span>
        <input
          id={id}
          type="range"
          className={value === null ? 'unset' : ''}
          aria-label={label}
          aria-valuetext={value === null ? 'not answered yet' : String(value)}
          min={sheet.from}
          max={sheet.to}
          step={sheet.step}
          value={shown}
          onChange={(e) => set(e.target.value)}
          // Where it rests is a value, too: a click or Enter there chooses it.
          onPointerUp={(e) => value === null && set(e.currentTarget.value)}
          onKeyDown={(e) => value === null && (e.key === 'Enter' || e.key === ' ') && set(e.currentTarget.value)}
        />
        <span className="scale-end">{sheet.highest}</span>
      </span>
      <span className="scale-said">
        <span>{sheet.from}</span>
        <output htmlFor={id}>{value === null ? <span className="soft">not answered yet</span> : value}</output>
        <span>{sheet.to}</span>
      </span>
      <button
        type="button"
        className={`btn btn-quiet btn-sm ${value === null ? 'invisible' : ''}`}
        onClick={() => onChange({ value: null })}
      >
        Take the answer back
      </button>
    </span>
  );
}

export function Review({ sheet, response }: ReviewProps<ScaleSheet, ScaleResponse>) {
  const value = response?.value ?? null;
  const at = value === null ? 0 : ((value - sheet.from) / (sheet.to - sheet.from)) * 100;
  return (
    <span className="scale-slot">
      <span className="scale-line">
        <span className="scale-end">{sheet.lowest}</span>
        <span className="scale-track" aria-hidden="true">
          {value !== null && <span className="scale-mark" style={{ insetInlineStart: `${at}%` }} />}
        </span>
        <span className="scale-end">{sheet.highest}</span>
      </span>
      <span className="scale-said">
        <span>{sheet.from}</span>
        {value === null ? <span className="soft">no answer</span> : <strong>{value}</strong>}
        <span>{sheet.to}</span>
      </span>
    </span>
  );
}
