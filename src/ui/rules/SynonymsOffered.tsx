'use client';
import { knownSynonyms, synonymsOf } from '@/core/rules/text/synonyms';
import { useWordHelp } from './WordHelp';

/** Words of the topic that mean the same, to be added; and these, to be kept as synonyms there. */
export function SynonymsOffered({ words, onAdd }: { words: readonly string[]; onAdd: (more: string[]) => void }) {
  const { sets, keep } = useWordHelp();
  const more = synonymsOf(words, sets);
  return (
    <>
      {more.length > 0 && (
        <button type="button" className="btn-link-plain" onClick={() => onAdd(more)}>
          add {more.join('; ')}
        </button>
      )}
      {words.length > 1 && !knownSynonyms(sets, words) && (
        <button type="button" className="btn-link-plain soft" onClick={() => keep([...words])}>
          keep these as synonyms in the topic
        </button>
      )}
    </>
  );
}
