'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

/** So many milliseconds after the moment the last of a class looks again; the others spread before it. */
const SPREAD = 1_200;
/** What no event told of (a stream that was cut) is noticed this much later at most. */
const LOOK_AGAIN = 60_000;
/** The longest wait that a browser's timer can hold. */
const LONGEST = 2_000_000_000;

/** Looks again by itself when something opens or changes: each of a class at a moment of its own, soon after. */
export function OpensItself({ moments, now }: { moments: number[]; now: number }) {
  const router = useRouter();
  const next = Math.min(...moments.filter((at) => at > now));
  useEffect(() => {
    const look = (): void => router.refresh();
    const wait = next - now + 100 + Math.random() * SPREAD;
    const opening = Number.isFinite(wait) && wait < LONGEST ? setTimeout(look, wait) : undefined;
    const again = setInterval(() => document.visibilityState === 'visible' && look(), LOOK_AGAIN);
    return () => {
      clearTimeout(opening);
      clearInterval(again);
    };
  }, [next, now, router]);
  useEffect(() => {
    let events: EventSource | null = null;
    let spread: ReturnType<typeof setTimeout> | undefined;
    // A browser has few connections to a server: a page that nobody sees holds none of them.
    const listen = (): void => {
      if (document.visibilityState !== 'visible') {
        events?.close();
        events = null;
        return;
      }
      if (events) return;
      events = new EventSource('/api/events');
      events.addEventListener('changed', () => {
        clearTimeout(spread);
        spread = setTimeout(() => router.refresh(), Math.random() * SPREAD);
      });
    };
    // A device that slept has missed its moment.
    const woken = (): void => {
      listen();
      if (document.visibilityState === 'visible') router.refresh();
    };
    listen();
    document.addEventListener('visibilitychange', woken);
    return () => {
      events?.close();
      clearTimeout(spread);
      document.removeEventListener('visibilitychange', woken);
    };
  }, [router]);
  return null;
}
