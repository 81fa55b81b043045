'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef } from 'react';
import { useEvents } from '../parts/use-events';

/** What no event tells of (who has become silent) is looked at so often, in milliseconds. */
const LOOK = 10_000;
/** Events that come together are looked at together: at most once in so long, and for each who is watched so much longer. */
const TOGETHER = 1_500;
const FOR_EACH = 5;

interface Watching {
  sitting: string;
  /** How many are watched. */
  people: number;
  running: boolean;
}

/** Keeps a page that watches a sitting up to date: soon after something happened, and now and then in any case. */
export function useWatching({ sitting, people, running }: Watching): void {
  const router = useRouter();
  const soon = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => document.visibilityState === 'visible' && router.refresh(), LOOK);
    return () => clearInterval(timer);
  }, [running, router]);
  const changed = useCallback(() => {
    soon.current ??= setTimeout(
      () => {
        soon.current = undefined;
        router.refresh();
      },
      TOGETHER + FOR_EACH * people,
    );
  }, [people, router]);
  useEffect(() => () => clearTimeout(soon.current), []);
  useEvents(`?watch=${sitting}`, changed);
}
