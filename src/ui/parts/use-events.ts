import { useEffect } from 'react';
import { useLatest } from './use-latest';

/**
 * Hears that something changed, while the page is seen: a browser has few connections to a server, and a page that
 * nobody looks at holds none of them. A page that is seen again may have missed something: it is told so, too.
 */
export function useEvents(wanted: string, changed: () => void): void {
  const latest = useLatest(changed);
  useEffect(() => {
    let events: EventSource | null = null;
    const listen = (): void => {
      if (document.visibilityState !== 'visible') {
        events?.close();
        events = null;
        return;
      }
      if (events) return;
      events = new EventSource(`/api/events${wanted}`);
      events.addEventListener('changed', () => latest.current());
    };
    const woken = (): void => {
      listen();
      if (document.visibilityState === 'visible') latest.current();
    };
    listen();
    document.addEventListener('visibilitychange', woken);
    return () => {
      events?.close();
      document.removeEventListener('visibilitychange', woken);
    };
  }, [wanted, latest]);
}
