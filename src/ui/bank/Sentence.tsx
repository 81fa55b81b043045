'use client';
import { useState } from 'react';
import { MOST_COUNTED } from '@/core/bank/searching';
import { plural } from '../words/marks';
import { type Clause, chosenIn, clauses, type Filters, type Known, narrowed } from './sentence';

const ALWAYS = new Set(['kind', 'difficulty']);

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
  const [added, setAdded] = useState<string[]>([]);
  const all = clauses(known);
  const said = all.filter((c) => ALWAYS.has(c.field) || added.includes(c.field) || chosenIn(filters, c.field) !== '');
  const left = all.filter((c) => !said.includes(c) && c.choices.length > 0);
  const words = filters.words.trim();
  const count = total >= MOST_COUNTED ? `more than ${MOST_COUNTED} questions` : plural(total, 'question');
  const choose = (clause: Clause, value: string): void => {
    if (value === '') setAdded(added.filter((field) => field !== clause.field));
    onChange(narrowed(filters, clause.field, value));
  };
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
      {said.map((clause) => (
        <span key={clause.field}>
          ,{' '}
          <select
            aria-label={clause.name}
            value={chosenIn(filters, clause.field)}
            onChange={(e) => choose(clause, e.target.value)}
          >
            <option value="">{clause.open}</option>
            {clause.choices.map(({ value, words: text }) => (
              <option key={value} value={value}>
                {text}
              </option>
            ))}
          </select>
        </span>
      ))}
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
      {left.length > 0 && (
        <>
          {' · '}
          <select aria-label="Narrow by" value="" onChange={(e) => setAdded([...added, e.target.value])}>
            <option value="">narrow by …</option>
            {left.map((clause) => (
              <option key={clause.field} value={clause.field}>
                {clause.name}
              </option>
            ))}
          </select>
        </>
      )}
    </p>
  );
}
