'use client';
import { useState } from 'react';
import { boundariesElsewhereAction } from '@/actions/results';
import type { Boundaries } from '@/core/results/policy';
import type { BoundariesElsewhere } from '@/server/results/results';
import { dayOnly } from '../words/time';

interface Props {
  sitting: string;
  change: (next: (b: Boundaries) => Boundaries) => void;
}

/** Ranges, texts and grades of another sitting, taken over here; the pass mark stays. */
export function TakeOver({ sitting, change }: Props) {
  const [others, setOthers] = useState<BoundariesElsewhere[] | null>(null);
  if (others === null)
    return (
      <p className="mt-2 mb-0">
        <button
          type="button"
          className="btn-link-plain"
          onClick={async () => setOthers(await boundariesElsewhereAction(sitting))}
        >
          Take ranges and grades over from another sitting…
        </button>
      </p>
    );
  return (
    <select
      className="form-select mt-2 w-auto"
      aria-label="Take ranges and grades over from"
      value=""
      onChange={(e) => {
        const other = others.find(({ id }) => id === e.target.value);
        if (!other) return;
        const { ranges, grades } = other.boundaries;
        change((b) => ({ ...b, ranges, grades }));
        setOthers(null);
      }}
    >
      <option value="">{others.length === 0 ? 'there is no other sitting' : 'from…'}</option>
      {others.map(({ id, title, course, opensAt, boundaries }) => (
        <option key={id} value={id}>
          {course} {title}, {dayOnly(opensAt)}: {boundaries.ranges.length} ranges
        </option>
      ))}
    </select>
  );
}
