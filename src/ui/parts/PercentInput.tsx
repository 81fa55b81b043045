'use client';
import { useState } from 'react';
import { parseExact } from '@/core/base/exact';

interface Props {
  value: string;
  label: string;
  /** Says whether a percent may stand here, beyond being from 0 to 100. */
  fits?: (percent: string) => boolean;
  why?: string;
  onChange: (percent: string) => void;
}

/** A percent typed in place; comma or point. What does not fit is said beside it and not taken. */
export function PercentInput({ value, label, fits = () => true, why = '0 to 100', onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const read = (text: string): string | null => {
    const plain = text.trim().replace(',', '.').replace(/\s*%$/, '');
    const number = /\//.test(plain) ? null : parseExact(plain);
    return number && number.compare(0) >= 0 && number.compare(100) <= 0 && fits(plain) ? plain : null;
  };
  const bad = typed !== null && read(typed) === null;
  return (
    <span className="d-inline-flex gap-1 align-items-center">
      <input
        className="form-control form-control-sm"
        style={{ width: 68 }}
        inputMode="decimal"
        aria-label={label}
        aria-invalid={bad}
        value={typed ?? value}
        onChange={(e) => {
          setTyped(e.target.value);
          const percent = read(e.target.value);
          if (percent !== null) onChange(percent);
        }}
        onBlur={() => setTyped(null)}
      />
      %
      {bad && (
        <span role="alert" className="wrong">
          {why}
        </span>
      )}
    </span>
  );
}
