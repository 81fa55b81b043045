'use client';
import { useState } from 'react';
import { wordingsOf } from '@/core/rules/text/rules';
import { SynonymsOffered } from './SynonymsOffered';

interface Props {
  words: readonly string[];
  label: string;
  placeholder?: string;
  /** Whether the words mean the same, so that synonyms of the topic are offered and kept. */
  synonyms?: boolean;
  onChange: (words: string[]) => void;
}

/** Words or phrases with semicolons between them, kept as typed until the field is left. */
export function WordsInput({ words, label, placeholder = 'one; another; a third', synonyms = false, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <>
      <textarea
        className="form-control"
        rows={Math.min(4, 1 + Math.floor(words.join('; ').length / 34))}
        aria-label={label}
        value={typed ?? words.join('; ')}
        placeholder={placeholder}
        onChange={(e) => {
          setTyped(e.target.value);
          onChange(wordingsOf(e.target.value));
        }}
        onBlur={() => setTyped(null)}
      />
      {synonyms && <SynonymsOffered words={words} onAdd={(more) => onChange([...words, ...more])} />}
    </>
  );
}
