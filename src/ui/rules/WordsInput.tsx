'use client';
import { useState } from 'react';
import { knownSynonyms, synonymsOf } from '@/core/rules/text/synonyms';
import { useSynonyms } from './SynonymsContext';

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
  const { sets, keep } = useSynonyms();
  const more = synonyms ? synonymsOf(words, sets) : [];
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
          onChange(
            e.target.value
              .split(/[;\n]/)
              .map((w) => w.trim())
              .filter((w) => w !== ''),
          );
        }}
        onBlur={() => setTyped(null)}
      />
      {more.length > 0 && (
        <button type="button" className="btn-link-plain" onClick={() => onChange([...words, ...more])}>
          add {more.join('; ')}
        </button>
      )}
      {synonyms && words.length > 1 && !knownSynonyms(sets, words) && (
        <button type="button" className="btn-link-plain soft" onClick={() => keep([...words])}>
          keep these as synonyms in the topic
        </button>
      )}
    </>
  );
}
