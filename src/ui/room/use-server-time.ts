'use client';
import { useEffect, useState } from 'react';
import { useLatest } from '../parts/use-latest';

interface Clock {
  now: number;
  deadline: number;
  /** While the time stands still it does not pass here either. */
  pausedAt: number | null;
  readAt: number;
}

/** What `value` comes to, looked at each second and whenever the clock is told anew. */
function useTicking<T>(clock: Clock, value: (passed: number) => T): T {
  const [now, setNow] = useState(() => value(0));
  const reckon = useLatest(value);
  useEffect(() => {
    const tick = (): void => setNow(reckon.current(clock.readAt === 0 ? 0 : performance.now() - clock.readAt));
    const first = setTimeout(tick, 0);
    const timer = setInterval(tick, 1000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [clock, reckon]);
  return now;
}

/** Milliseconds to the deadline by the server's clock; the device's own clock may be wrong without harm. */
export function useTimeLeft(clock: Clock): number {
  return useTicking(clock, (passed) => clock.deadline - clock.now - (clock.pausedAt === null ? passed : 0));
}

/** Milliseconds until a break ends by itself; null while there is none. When it is over, `ended` is called. */
export function useRestLeft(
  clock: Clock & { rest: { until: number | null } | null },
  ended: () => void,
): number | null {
  const until = clock.rest?.until ?? null;
  const left = useTicking(clock, (passed) => (until === null ? null : Math.max(0, until - clock.now - passed)));
  const over = left === 0;
  useEffect(() => {
    if (over) ended();
  }, [over, ended]);
  return left;
}
