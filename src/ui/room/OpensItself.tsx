'use client';
import { useCallback, useEffect, useRef } from 'react';
import { useEvents } from '../parts/use-events';
import { useFreshPage } from '../parts/use-fresh-page';

/** So many milliseconds after the moment the last of a class looks again; the others spread before it. */
const SPREAD = 1_200;
/** What no event told of (a stream that was cut) is noticed this much later at most. */
const LOOK_AGAIN = 60_000;
/** The longest wait that a browser's timer can hold. */
const LONGEST = 2_000_000_000;

interface Props {
  moments: number[];
  now: number;
  /** Of what the page was made. */
  version: number;
}

/** Looks again by itself when something opens or changes: each of a class at a moment of its own, soon after. */
export function OpensItself({ moments, now, version }: Props) {
  const look = useFreshPage();
  const next = Math.min(...moments.filter((at) => at > now));
  useEffect(() => {
    const wait = next - now + 100 + Math.random() * SPREAD;
    const opening = Number.isFinite(wait) && wait < LONGEST ? setTimeout(look, wait) : undefined;
    const again = setInterval(() => document.visibilityState === 'visible' && look(), LOOK_AGAIN);
    return () => {
      clearTimeout(opening);
      clearInterval(again);
    };
  }, [next, now, look]);
  const spread = useRef<ReturnType<typeof setTimeout>>(undefined);
  const changed = useCallback(() => {
    clearTimeout(spread.current);
    spread.current = setTimeout(look, Math.random() * SPREAD);
  }, [look]);
  useEffect(() => () => clearTimeout(spread.current), []);
  useEvents({}, version, changed);
  return null;
}
