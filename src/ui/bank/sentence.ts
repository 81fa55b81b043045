import { type BankSearch, EASY_FROM, HARD_BELOW, OPEN_SEARCH } from '@/core/bank/searching';
import { KIND_NAMES, type KindName } from '@/core/kinds/names';
import { sideOf } from '../kinds/registry';

/** What of a search the sentence says; bank and topic are said by the index, words by the search line. */
export type Filters = Omit<BankSearch, 'bank' | 'topic'>;

const { bank: _, topic: __, ...open } = OPEN_SEARCH;
export const NO_FILTERS: Filters = open;

export interface Clause {
  field: Exclude<keyof Filters, 'words' | 'sort'>;
  /** What it narrows by, as the list of further clauses says. */
  name: string;
  /** The value that narrows nothing, and what the sentence says then. */
  open: string;
  choices: { value: string; words: string }[];
}

export interface Known {
  tags: string[];
  goals: { id: string; code: string }[];
  authors: { id: string; name: string }[];
}

/** Everything a search can be narrowed by. */
export function clauses({ tags, goals, authors }: Known): Clause[] {
  const plain = (values: readonly string[]): Clause['choices'] => values.map((value) => ({ value, words: value }));
  return [
    {
      field: 'kind',
      name: 'kind',
      open: 'any kind',
      choices: KIND_NAMES.map((k: KindName) => ({ value: k, words: sideOf(k).words.name })),
    },
    {
      field: 'difficulty',
      name: 'difficulty',
      open: 'difficulty 1 to 3',
      choices: ['1', '2', '3'].map((value) => ({ value, words: `difficulty ${value}` })),
    },
    { field: 'demand', name: 'demand', open: 'any demand', choices: plain(['know', 'use', 'judge']) },
    { field: 'tag', name: 'tag', open: 'any tag', choices: tags.map((value) => ({ value, words: `tagged ${value}` })) },
    {
      field: 'goal',
      name: 'learning goal',
      open: 'any goal',
      choices: goals.map(({ id, code }) => ({ value: id, words: `for ${code}` })),
    },
    {
      field: 'author',
      name: 'author',
      open: 'by anybody',
      choices: authors.map(({ id, name }) => ({ value: id, words: `by ${name}` })),
    },
    {
      field: 'review',
      name: 'review',
      open: 'in any state of review',
      choices: [
        { value: 'draft', words: 'not yet in review' },
        { value: 'asked', words: 'waiting for review' },
        { value: 'agreed', words: 'agreed' },
        { value: 'returned', words: 'returned' },
      ],
    },
    {
      field: 'ready',
      name: 'readiness',
      open: 'ready or not',
      choices: [
        { value: 'true', words: 'ready' },
        { value: 'false', words: 'not ready' },
      ],
    },
    {
      field: 'marks',
      name: 'marks',
      open: 'any marks',
      choices: ['1', '2', '3', '4', '5'].map((value) => ({
        value,
        words: value === '5' ? '5 marks or more' : `${value} ${value === '1' ? 'mark' : 'marks'}`,
      })),
    },
    {
      field: 'used',
      name: 'last used',
      open: 'used or not',
      choices: [
        { value: 'never', words: 'never used in a sitting' },
        { value: 'this-year', words: 'used within a year' },
        { value: 'not-this-year', words: 'not used for a year' },
      ],
    },
    {
      field: 'performed',
      name: 'how it did',
      open: 'however it did',
      choices: [
        { value: 'untried', words: 'not tried yet' },
        { value: 'easy', words: `that earned ${100 * EASY_FROM} % or more` },
        { value: 'middling', words: `that earned ${100 * HARD_BELOW} to ${100 * EASY_FROM} %` },
        { value: 'hard', words: `that earned less than ${100 * HARD_BELOW} %` },
        { value: 'tells-little', words: 'that hardly told who was better' },
      ],
    },
    {
      field: 'kept',
      name: 'archive',
      open: 'in use',
      choices: [
        { value: 'archived', words: 'in the archive' },
        { value: 'deleted', words: 'deleted' },
      ],
    },
  ];
}

/** The value of a clause as a choice; empty when it narrows nothing. */
export function chosenIn(filters: Filters, field: Clause['field']): string {
  const value = filters[field];
  return value === null || value === 'live' ? '' : String(value);
}

/** The filters with one clause set to a choice, or opened again with ''. */
export function narrowed(filters: Filters, field: Clause['field'], value: string): Filters {
  const typed =
    field === 'difficulty'
      ? Number(value)
      : field === 'ready'
        ? value === 'true'
        : (value as string | number | boolean);
  const open = field === 'kept' ? 'live' : null;
  return { ...filters, [field]: value === '' ? open : typed } as Filters;
}
