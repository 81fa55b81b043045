'use client';
import { useState } from 'react';

interface Props {
  value: string;
  placeholder?: string;
  label?: string;
  /** Characters at most. */
  most: number;
  onChange: (value: string) => void;
}

/** A line of text that is kept when the field is left, or by Enter; what it was comes back by Esc. */
export function LineInput({ value, placeholder, label, most, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (): void => {
    if (typed !== null && typed.trim() !== value) onChange(typed.trim());
    setTyped(null);
  };
  return (
    <input
      className="form-control form-control-sm"
      aria-label={label}
      placeholder={placeholder}
      maxLength={most}
      value={typed ?? value}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={keep}
      onKeyDown={(e) => {
        if (e.key === 'Enter') {
          e.preventDefault();
          keep();
        } else if (e.key === 'Escape' && typed !== null) {
          e.stopPropagation();
          setTyped(null);
        }
      }}
    />
  );
}
