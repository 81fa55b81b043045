'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

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
  useEffect(() => {
    const look = (): void => {
      if (document.visibilityState === 'visible') router.refresh();
    };
    const timer = running ? setInterval(look, LOOK) : undefined;
    let soon: ReturnType<typeof setTimeout> | undefined;
    const events = new EventSource(`/api/events?watch=${sitting}`);
    events.addEventListener('changed', () => {
      soon ??= setTimeout(
        () => {
          soon = undefined;
          look();
        },
        TOGETHER + FOR_EACH * people,
      );
    });
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      clearTimeout(soon);
      events.close();
      document.removeEventListener('visibilitychange', look);
    };
  }, [sitting, people, running, router]);
}
