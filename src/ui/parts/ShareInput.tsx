'use client';
import { useState } from 'react';
import { exact, shown, stored } from '@/core/base/exact';
import { wholeNumber } from '@/core/rules/number/read';

interface Props {
  /** Share of the marks, exact text from 0 to 1. */
  share: string;
  /** The marks that the share is of. */
  marks: string;
  label: string;
  onChange: (share: string) => void;
}

/** A rule's share, shown and typed as marks, because teachers think in marks. */
export function ShareInput({ share, marks, label, onChange }: Props) {
  const worth = exact(marks);
  const now = shown(exact(share).mul(worth));
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (): void => {
    const value = typed === null ? null : wholeNumber(typed);
    if (value && !worth.equals(0) && value.compare(0) >= 0 && value.compare(worth) <= 0)
      onChange(stored(value.div(worth)));
    setTyped(null);
  };
  return (
    <input
      className="form-control narrow text-end wrong"
      aria-label={label}
      value={typed ?? now}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={keep}
      onKeyDown={(e) => e.key === 'Enter' && keep()}
    />
  );
}
