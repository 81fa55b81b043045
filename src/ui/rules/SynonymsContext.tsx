'use client';
import { createContext, useContext } from 'react';

/** The synonyms that hold where a rule is written, and the way to keep more. */
export interface Synonyms {
  sets: readonly (readonly string[])[];
  keep: (words: string[]) => void;
}

export const SynonymsContext = createContext<Synonyms>({ sets: [], keep: () => undefined });

export const useSynonyms = (): Synonyms => useContext(SynonymsContext);
