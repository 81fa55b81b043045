import { useEffect } from 'react';

/** All rooms of a sitting ask within this of one another, in milliseconds. */
const SPREAD = 1_000;

/** Has a room ask what is new as soon as something concerns it: minutes, a word from the teacher, the clock stopped. */
export function useRoomEvents(attempt: string, ask: () => void): void {
  useEffect(() => {
    const events = new EventSource(`/api/events?room=${attempt}`);
    let spread: ReturnType<typeof setTimeout> | undefined;
    events.addEventListener('changed', () => {
      clearTimeout(spread);
      spread = setTimeout(ask, Math.random() * SPREAD);
    });
    return () => {
      clearTimeout(spread);
      events.close();
    };
  }, [attempt, ask]);
}
