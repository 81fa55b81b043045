'use client';
import { useState } from 'react';
import { stored } from '@/core/base/exact';
import { wholeNumber } from '@/core/rules/number/read';
import { marksText } from '../words/marks';

/** Marks as a teacher types them: 2, 1.5, 1½. What cannot be marks is put back when the field is left. */
export function MarksInput({
  marks,
  label,
  fixed = false,
  onChange,
  onEmpty,
}: {
  marks: string;
  label: string;
  /** The marks follow from something else and cannot be typed here. */
  fixed?: boolean;
  onChange: (marks: string) => void;
  /** Where there may be none: the field was emptied. */
  onEmpty?: () => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      className="form-control form-control-sm pts text-end"
      style={{ width: 56 }}
      aria-label={label}
      readOnly={fixed}
      value={typed ?? (marks === '' ? '' : marksText(marks))}
      onChange={(e) => {
        setTyped(e.target.value);
        if (e.target.value.trim() === '') onEmpty?.();
        const value = wholeNumber(e.target.value);
        if (value && value.compare(0) >= 0 && value.compare(1000) <= 0) onChange(stored(value));
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
