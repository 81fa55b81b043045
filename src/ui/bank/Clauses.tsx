'use client';
import { useState } from 'react';
import { ActMenu } from '../parts/ActMenu';
import { type Clause, chosenIn, clauses, type Filters, type Known, narrowed } from './sentence';

const ALWAYS = new Set(['kind', 'difficulty']);

interface Props {
  filters: Filters;
  known: Known;
  /** Clauses that are said elsewhere, or make no sense here. */
  without?: readonly Clause['field'][];
  onChange: (filters: Filters) => void;
}

/** What a search is narrowed by: every underlined word can be changed, and more can be added. */
export function Clauses({ filters, known, without = [], onChange }: Props) {
  const [added, setAdded] = useState<string[]>([]);
  const all = clauses(known).filter(({ field }) => !without.includes(field));
  const said = all.filter((c) => ALWAYS.has(c.field) || added.includes(c.field) || chosenIn(filters, c.field) !== '');
  const left = all.filter((c) => !said.includes(c) && c.choices.length > 0);
  const choose = (clause: Clause, value: string): void => {
    if (value === '') setAdded(added.filter((field) => field !== clause.field));
    onChange(narrowed(filters, clause.field, value));
  };
  return (
    <>
      {said.map((clause) => (
        <span key={clause.field}>
          ,{' '}
          <select
            aria-label={clause.name}
            value={chosenIn(filters, clause.field)}
            onChange={(e) => choose(clause, e.target.value)}
          >
            <option value="">{clause.open}</option>
            {clause.choices.map(({ value, words }) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </span>
      ))}
      {left.length > 0 && (
        <>
          {' · '}
          <ActMenu
            words="narrow by …"
            choices={left.map(({ field, name }) => ({ value: field, words: name }))}
            onChoose={(value) => setAdded([...added, value])}
          />
        </>
      )}
    </>
  );
}
