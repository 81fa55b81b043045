import type { ReactNode } from 'react';

interface ActProps {
  label: string;
  off?: boolean;
  pressed?: boolean;
  onClick: () => void;
  children: ReactNode;
}

/** A small button with a picture on it. */
export function Act({ label, off = false, pressed, onClick, children }: ActProps) {
  return (
    <button
      type="button"
      className="btn btn-quiet btn-sm"
      aria-label={label}
      title={label}
      disabled={off}
      aria-pressed={pressed}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
