import type { Worker } from 'node:worker_threads';
import { Mutex } from '../db/mutex';
import type { FirstMarks, MarkOrder, Place } from '../marking/first-marks';
import { startThread } from './thread';

/** What the thread says: which answer it begins, what came of an attempt, or that it could not be marked. */
export type FromMarker = { at: Place } | { marks: FirstMarks } | { failed: string };

/** Marks attempts by their rules, away from the thread that serves. */
export interface Marker {
  mark: (attempt: Omit<MarkOrder, 'givenUp'>) => Promise<FirstMarks>;
  close: () => Promise<void>;
}

/**
 * The rules may think about one answer for so long, in milliseconds. Their
 * budgets of counted work end far earlier; this is the net under them, wide
 * enough that on a busy machine no honest answer falls into it.
 */
const MOST_TIME = 3000;

/**
 * Opens a marker. Attempts come one after another. An answer
 * that takes too long, or on which the thread dies, waits for a person; a
 * fresh thread marks the rest.
 */
export function openMarker(
  start: () => Worker = () => startThread('mark-attempt', null),
  mostTime = MOST_TIME,
): Marker {
  const queue = new Mutex();
  let thread: Worker | null = null;
  const end = async (): Promise<void> => {
    const ended = thread;
    thread = null;
    await ended?.terminate();
  };
  return {
    mark: (attempt) =>
      queue.run(async () => {
        const givenUp: Place[] = [];
        for (;;) {
          const came = await ask((thread ??= start()), { ...attempt, givenUp }, mostTime).catch(
            async (error: unknown) => {
              // Whatever became of the thread, the next attempt gets a fresh one.
              await end();
              throw error;
            },
          );
          if ('marks' in came) return came.marks;
          await end();
          givenUp.push(came.stuckAt);
        }
      }),
    close: () => queue.run(end),
  };
}

/** Asks for one attempt; ends with its marks or with the answer that the thread was stuck at. */
function ask(thread: Worker, order: MarkOrder, mostTime: number): Promise<{ marks: FirstMarks } | { stuckAt: Place }> {
  thread.ref();
  return new Promise<{ marks: FirstMarks } | { stuckAt: Place }>((done, failed) => {
    let at: Place | null = null;
    let timer: NodeJS.Timeout | undefined;
    const settle = (how: () => void): void => {
      clearTimeout(timer);
      thread.off('message', heard).off('error', died).off('exit', gone);
      how();
    };
    const heard = (message: FromMarker): void => {
      if ('marks' in message) return settle(() => done(message));
      if ('failed' in message) return settle(() => failed(new Error(message.failed)));
      const begun = message.at;
      at = begun;
      clearTimeout(timer);
      timer = setTimeout(() => settle(() => done({ stuckAt: begun })), mostTime);
    };
    const died = (error: Error): void => settle(() => (at ? done({ stuckAt: at }) : failed(error)));
    const gone = (): void => died(new Error('The thread has ended'));
    thread.on('message', heard).on('error', died).on('exit', gone);
    thread.postMessage(order);
  }).finally(() => thread.unref());
}
