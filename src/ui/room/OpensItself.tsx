'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

/** So many milliseconds after the moment the last of a class looks again; the others spread before it. */
const SPREAD = 1_200;
/** A change that nobody could foresee (started by hand, put off) is noticed this much later at most. */
const LOOK_AGAIN = 20_000;
/** The longest wait that a browser's timer can hold. */
const LONGEST = 2_000_000_000;

/** Looks again by itself when something opens: each of a class at a moment of its own, soon after. */
export function OpensItself({ moments, now }: { moments: number[]; now: number }) {
  const router = useRouter();
  const next = Math.min(...moments.filter((at) => at > now));
  useEffect(() => {
    const look = (): void => router.refresh();
    const wait = next - now + 100 + Math.random() * SPREAD;
    const opening = Number.isFinite(wait) && wait < LONGEST ? setTimeout(look, wait) : undefined;
    const again = setInterval(() => document.visibilityState === 'visible' && look(), LOOK_AGAIN);
    // A device that slept has missed its moment.
    const woken = (): void => {
      if (document.visibilityState === 'visible') look();
    };
    document.addEventListener('visibilitychange', woken);
    return () => {
      clearTimeout(opening);
      clearInterval(again);
      document.removeEventListener('visibilitychange', woken);
    };
  }, [next, now, router]);
  return null;
}
