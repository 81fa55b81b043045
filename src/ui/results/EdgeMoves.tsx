import { useState } from 'react';
import type { Boundaries } from '@/core/results/policy';
import type { Results } from '@/server/results/results';
import { plural } from '../words/marks';
import { edgeMoves } from './outcome';

interface Props {
  results: Results;
  boundaries: Boundaries;
  list: 'ranges' | 'grades';
}

/** The edges are moved by so many percent. */
const BY = [-2, 2] as const;

/** Who would read something else, or get another grade, if an edge moved a little; worked out when it is asked for. */
export function EdgeMoves({ results, boundaries, list }: Props) {
  const [open, setOpen] = useState(false);
  const moves = open ? edgeMoves(results, boundaries, list, BY) : [];
  return (
    <details className="soft" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="py-1">If an edge moved by 2 percent</summary>
      {moves.map(({ from, to, names }) => (
        <p key={`${from} ${to}`} className="mb-1">
          {from} to {to}: {names.length === 0 ? 'nobody' : `${plural(names.length, 'student')}, ${names.join(', ')}`}.
        </p>
      ))}
    </details>
  );
}
