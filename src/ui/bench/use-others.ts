'use client';
import { useEffect, useState } from 'react';
import { atBenchAction } from '@/actions/bank';
import { replyTo } from '../parts/reply-to';

const EVERY = 10_000;

/** The names of others who are at the bench of this question now. */
export function useOthers(question: string): string[] {
  const [others, setOthers] = useState<string[]>([]);
  useEffect(() => {
    let gone = false;
    const ask = async (): Promise<void> => {
      if (document.visibilityState === 'hidden') return;
      const there = await replyTo(atBenchAction(question));
      // Without a network nobody can be seen; the next asking tells.
      if (gone || !there.ok) return;
      const names = there.value;
      setOthers((old) => (old.join() === names.join() ? old : names));
    };
    void ask();
    const timer = setInterval(ask, EVERY);
    return () => {
      gone = true;
      clearInterval(timer);
    };
  }, [question]);
  return others;
}
