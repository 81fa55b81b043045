import { useEffect, useRef } from 'react';
import { useLatest } from './use-latest';

/**
 * Hears that something changed since the version that the page was made of, while the page is seen: a browser has few
 * connections to a server, and a page that nobody looks at holds none of them. A page that is seen again is told so, too.
 * `wanted`: what is to be heard of, as parameters of an address.
 */
export function useEvents(wanted: Readonly<Record<string, string>>, version: number, changed: () => void): void {
  const latest = useLatest(changed);
  const heard = useRef(version);
  useEffect(() => {
    heard.current = Math.max(heard.current, version);
  }, [version]);
  const asked = new URLSearchParams(wanted).toString();
  useEffect(() => {
    let events: EventSource | null = null;
    const listen = (): void => {
      if (document.visibilityState !== 'visible') {
        events?.close();
        events = null;
        return;
      }
      if (events) return;
      events = new EventSource(`/api/events?${asked}&heard=${heard.current}`);
      events.addEventListener('changed', ({ lastEventId }) => {
        heard.current = Math.max(heard.current, Number(lastEventId));
        latest.current();
      });
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
  }, [asked, latest]);
}
