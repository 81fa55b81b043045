'use client';
import { useState } from 'react';

interface Props {
  value: string;
  label: string;
  className: string;
  /** What is typed as it is kept; null when it does not fit. */
  read: (typed: string) => string | null;
  /** Said beside the field while it does not. */
  why: string;
  onChange: (value: string) => void;
}

/** A number typed in place. What does not fit is said beside it and not taken, and put back when the field is left. */
export function TypedNumber({ value, label, className, read, why, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const bad = typed !== null && read(typed) === null;
  return (
    <>
      <input
        className={`form-control ${className}`}
        inputMode="decimal"
        aria-label={label}
        aria-invalid={bad}
        value={typed ?? value}
        onChange={(e) => {
          setTyped(e.target.value);
          const kept = read(e.target.value);
          if (kept !== null) onChange(kept);
        }}
        onBlur={() => setTyped(null)}
      />
      {bad && (
        <span role="alert" className="wrong">
          {why}
        </span>
      )}
    </>
  );
}
