'use client';
import { useEffect, useState } from 'react';
import { atBenchAction } from '@/actions/bank';

const EVERY = 10_000;

/** The names of others who are at the bench of this question now. */
export function useOthers(question: string): string[] {
  const [others, setOthers] = useState<string[]>([]);
  useEffect(() => {
    let gone = false;
    const ask = async (): Promise<void> => {
      if (document.visibilityState === 'hidden') return;
      try {
        const names = await atBenchAction(question);
        if (!gone) setOthers((old) => (old.join() === names.join() ? old : names));
      } catch {
        // Without a network nobody can be seen; the next asking tells.
      }
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
