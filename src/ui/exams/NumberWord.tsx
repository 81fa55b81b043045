'use client';
import { useState } from 'react';
import { parseExact } from '@/core/base/exact';

interface Props {
  label: string;
  value: string;
  least: number;
  most: number;
  decimals?: boolean;
  optional?: boolean;
  onChange: (value: string) => void;
}

/** A number inside a sentence. What does not fit is said beside it and not taken. */
export function NumberWord({ label, value, least, most, decimals = false, optional = false, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const fits = (text: string): boolean => {
    if (text === '') return optional;
    const number = parseExact(text);
    return number !== null && (decimals || number.d === 1n) && number.compare(least) >= 0 && number.compare(most) <= 0;
  };
  const bad = typed !== null && !fits(typed.trim());
  return (
    <>
      <input
        className="form-control tiny"
        inputMode="decimal"
        aria-label={label}
        aria-invalid={bad}
        value={typed ?? value}
        onChange={(e) => {
          setTyped(e.target.value);
          const text = e.target.value.trim().replace(',', '.');
          if (fits(text)) onChange(text);
        }}
        onBlur={() => setTyped(null)}
      />
      {bad && (
        <span role="alert" className="wrong">
          {least} to {most}
        </span>
      )}
    </>
  );
}
