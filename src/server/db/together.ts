import { setImmediate } from 'node:timers/promises';

interface Waiting<T, R> {
  item: T;
  done: (result: R) => void;
  failed: (reason: unknown) => void;
}

/**
 * Does work for many callers at once: whatever is asked in the same turn of the event loop, or while a round runs, goes
 * into one round. `work` gives a result for each item, in their order; when
 * it throws, every caller of that round gets the error.
 */
export function together<T, R>(work: (items: T[]) => Promise<R[]>): (item: T) => Promise<R> {
  let waiting: Waiting<T, R>[] = [];
  let running = false;

  async function rounds(): Promise<void> {
    running = true;
    while (waiting.length > 0) {
      // What came over the network in this turn is all there at its end; work that waits for nothing would be done before.
      await setImmediate();
      const round = waiting;
      waiting = [];
      try {
        const results = await work(round.map(({ item }) => item));
        round.forEach(({ done }, i) => done(results[i] as R));
      } catch (error) {
        for (const { failed } of round) failed(error);
      }
    }
    running = false;
  }

  return (item) =>
    new Promise((done, failed) => {
      waiting.push({ item, done, failed });
      if (!running) void rounds();
    });
}
