import { useEffect, useState } from 'react';
import type { Result } from '@/core/base/result';
import { replyTo } from './reply-to';
import { useLatest } from './use-latest';

/** Typing that rests so long is searched for, in milliseconds. */
const REST = 100;

/** What is found for the words that were typed; the newest words count, whichever reply comes last. Nothing for none. */
export function useFound<T>(words: string, ask: (words: string) => Promise<Result<readonly T[]>>): readonly T[] {
  const [found, setFound] = useState<readonly T[]>([]);
  const asking = useLatest(ask);
  useEffect(() => {
    if (words.trim() === '') return;
    let stale = false;
    const timer = setTimeout(async () => {
      const all = await replyTo(asking.current(words));
      // Without a connection what was found before stays.
      if (!stale && all.ok) setFound(all.value);
    }, REST);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [words, asking]);
  return words.trim() === '' ? [] : found;
}
