import { useEffect, useState } from 'react';
import { useLatest } from './use-latest';

/** Typing that rests so long is searched for, in milliseconds. */
const REST = 100;

/** What is found for the words that were typed; the newest words count, whichever reply comes last. Nothing for none. */
export function useFound<T>(words: string, ask: (words: string) => Promise<readonly T[]>): readonly T[] {
  const [found, setFound] = useState<readonly T[]>([]);
  const asking = useLatest(ask);
  useEffect(() => {
    if (words.trim() === '') return;
    let stale = false;
    const timer = setTimeout(async () => {
      // Without a connection what was found before stays.
      const all = await asking.current(words).catch(() => null);
      if (!stale && all) setFound(all);
    }, REST);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [words, asking]);
  return words.trim() === '' ? [] : found;
}
