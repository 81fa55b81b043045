'use client';
import { useCallback, useEffect, useRef } from 'react';
import { useEvents } from '../parts/use-events';
import { useFreshPage } from '../parts/use-fresh-page';

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
  /** Of what the page was made. */
  version: number;
}

/** Keeps a page that watches a sitting up to date: soon after something happened, and now and then in any case. */
export function useWatching({ sitting, people, running, version }: Watching): void {
  const look = useFreshPage();
  const soon = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => document.visibilityState === 'visible' && look(), LOOK);
    return () => clearInterval(timer);
  }, [running, look]);
  const changed = useCallback(() => {
    soon.current ??= setTimeout(
      () => {
        soon.current = undefined;
        look();
      },
      TOGETHER + FOR_EACH * people,
    );
  }, [people, look]);
  useEffect(() => () => clearTimeout(soon.current), []);
  useEvents({ watch: sitting }, version, changed);
}
