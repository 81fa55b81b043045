'use client';
import { useState } from 'react';
import { exact, stored } from '@/core/base/exact';
import { wholeNumber } from '@/core/rules/number/read';

/** A number as a teacher types it, kept exactly. What is none is put back when the field is left. */
export function ExactInput({
  value,
  label,
  onChange,
}: {
  /** Exact text. */
  value: string;
  label: string;
  onChange: (value: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const decimal = exact(value).toString();
  return (
    <input
      className="form-control form-control-sm narrow text-end"
      aria-label={label}
      inputMode="decimal"
      value={typed ?? (decimal.includes('(') ? value : decimal)}
      onChange={(e) => {
        setTyped(e.target.value);
        const read = wholeNumber(e.target.value);
        if (read) onChange(stored(read));
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
