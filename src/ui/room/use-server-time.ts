'use client';
import { useEffect, useState } from 'react';

interface Clock {
  now: number;
  deadline: number;
  /** While the time stands still it does not pass here either. */
  pausedAt: number | null;
  readAt: number;
}

/** Milliseconds to the deadline by the server's clock; the device's own clock may be wrong without harm. */
export function useTimeLeft(clock: Clock): number {
  const [left, setLeft] = useState(clock.deadline - clock.now);
  useEffect(() => {
    const tick = (): void => {
      const passed = clock.readAt === 0 || clock.pausedAt !== null ? 0 : performance.now() - clock.readAt;
      setLeft(clock.deadline - clock.now - passed);
    };
    const first = setTimeout(tick, 0);
    const timer = setInterval(tick, 1000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [clock]);
  return left;
}
