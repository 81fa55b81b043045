'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState, useTransition } from 'react';

/**
 * Asks for the page anew, as often as it is told to: one at a time, since answers that overtake one another would never
 * be shown. While the server is not reached the page stays as it is: the framework would leave it to the browser's own
 * page of errors.
 */
export function useFreshPage(): () => void {
  const router = useRouter();
  const [asking, begin] = useTransition();
  const [trying, setTrying] = useState(false);
  const [told, setTold] = useState(0);
  const asked = useRef(0);
  useEffect(() => {
    if (asking || trying || told === asked.current) return;
    asked.current = told;
    const ask = async (): Promise<void> => {
      setTrying(true);
      const reached = await isReached();
      setTrying(false);
      if (reached) begin(() => router.refresh());
    };
    void ask();
  }, [asking, trying, told, router]);
  return useCallback(() => setTold((times) => times + 1), []);
}

/** Whether the server answers; by the smallest thing that it has for everybody. */
async function isReached(): Promise<boolean> {
  try {
    return (await fetch('/api/reached', { method: 'HEAD', cache: 'no-store' })).ok;
  } catch {
    return false;
  }
}
