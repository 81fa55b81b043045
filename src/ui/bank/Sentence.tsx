'use client';
import { MOST_COUNTED } from '@/core/bank/searching';
import { plural } from '../words/marks';
import { Clauses } from './Clauses';
import type { Filters, Known } from './sentence';

interface Props {
  total: number;
  /** The words that something was found for, when nothing was for those that were typed. */
  instead: string | undefined;
  filters: Filters;
  known: Known;
  onChange: (filters: Filters) => void;
}

const shortened = (words: string): string => (words.length > 40 ? `${words.slice(0, 40)}…` : words);

/** The search as one sentence; every underlined word can be changed, and more can be added. */
export function Sentence({ total, instead, filters, known, onChange }: Props) {
  const words = filters.words.trim();
  const count = total >= MOST_COUNTED ? `more than ${MOST_COUNTED} questions` : plural(total, 'question');
  return (
    <p className="sentence mb-0" aria-live="polite">
      {count}
      {words && (
        <>
          {' '}
          about <mark>{shortened(instead ?? words)}</mark>
          {instead && <span className="hand"> (nothing about “{shortened(words)}”)</span>}
        </>
      )}
      ,{' '}
      <select
        aria-label="Order"
        value={filters.sort}
        onChange={(e) => onChange({ ...filters, sort: e.target.value as Filters['sort'] })}
      >
        <option value="best">best match first</option>
        <option value="newest">newest first</option>
        <option value="title">by title</option>
      </select>
      <Clauses filters={filters} known={known} onChange={onChange} />
    </p>
  );
}
