import { useCallback, useEffect, useRef } from 'react';
import { useEvents } from '../parts/use-events';

/** All rooms of a sitting ask within this of one another, in milliseconds. */
const SPREAD = 1_000;

interface RoomEvents {
  attempt: string;
  /** Of what the page was made. */
  version: number;
  ask: () => void;
  within?: number | undefined;
}

/** Has a room ask what is new as soon as something concerns it: minutes, a word from the teacher, the clock stopped. */
export function useRoomEvents({ attempt, version, ask, within = SPREAD }: RoomEvents): void {
  const spread = useRef<ReturnType<typeof setTimeout>>(undefined);
  const changed = useCallback(() => {
    clearTimeout(spread.current);
    spread.current = setTimeout(ask, Math.random() * within);
  }, [ask, within]);
  useEffect(() => () => clearTimeout(spread.current), []);
  useEvents({ room: attempt }, version, changed);
}
