'use client';
import { useState } from 'react';

interface Props {
  /** Null where nothing is asked for. */
  count: number | null;
  least: number;
  most: number;
  label: string;
  /** Whether it may be left empty. */
  optional?: boolean;
  /** What stands there then. */
  empty?: string;
  onChange: (count: number | null) => void;
}

/** A whole number between bounds. What is none, or outside, is put back when the field is left. */
export function CountInput({ count, least, most, label, optional = false, empty = 'any', onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      className="form-control narrow"
      aria-label={label}
      placeholder={optional ? empty : undefined}
      inputMode="numeric"
      value={typed ?? count ?? ''}
      onChange={(e) => {
        setTyped(e.target.value);
        const text = e.target.value.trim().replace('−', '-');
        if (text === '' && optional) onChange(null);
        else if (/^-?\d{1,7}$/.test(text) && Number(text) >= least && Number(text) <= most) onChange(Number(text));
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
