'use client';
import { createContext, useContext } from 'react';
import type { Result } from '@/core/base/result';
import type { WordList } from '@/core/rules/text/lists';
import type { Proposal } from '@/core/rules/text/proposals';
import type { Forgives } from '@/core/rules/text/words';
import type { WordListRow } from '@/server/vocabulary/word-lists';

/** What helps with words where a rule is written. */
export interface WordHelp {
  /** The synonyms that hold there, and the way to keep more. */
  sets: readonly (readonly string[])[];
  keep: (words: string[]) => void;
  /** Further wordings for these. */
  propose: (words: readonly string[], language: Forgives['endings']) => Promise<Result<Proposal[]>>;
  /** The department's word lists. */
  lists: () => Promise<Result<WordListRow[]>>;
  openList: (name: string) => Promise<Result<WordList[]>>;
  keepList: (list: WordList) => Promise<Result<null>>;
}

const nobody = <T,>(): Promise<Result<T>> => Promise.resolve({ ok: false, refusal: { code: 'not-found' } });

export const WordHelpContext = createContext<WordHelp>({
  sets: [],
  keep: () => undefined,
  propose: nobody,
  lists: nobody,
  openList: nobody,
  keepList: nobody,
});

export const useWordHelp = (): WordHelp => useContext(WordHelpContext);

/** The trial answers of the slot whose rules are written, as texts. */
export const TrialTexts = createContext<readonly string[]>([]);
