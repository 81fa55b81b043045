import type { PlainChunk } from '../marking/plain-anew';
import type { AnewOrder } from '../marking/attempts-anew';
import { startThread } from './thread';

/** A re-marking that runs in a thread of its own. */
export interface MarkingAnew {
  /** Ends when all is marked, with false when it was cancelled. */
  finished: Promise<boolean>;
  cancel: () => void;
}

/**
 * Starts to mark a sitting anew. Chunks come one after another: the next is
 * asked for when `take` is done with the one before.
 */
export function startMarkingAnew(
  url: string,
  order: AnewOrder,
  take: (chunk: PlainChunk) => Promise<void>,
): MarkingAnew {
  const worker = startThread('mark-anew', { url, order });
  let cancelled = false;
  let last: Promise<void> = Promise.resolve();
  const finished = new Promise<boolean>((done, failed) => {
    worker.on('message', (chunk: PlainChunk) => {
      last = last.then(() => (cancelled ? undefined : take(chunk)));
      last.catch((error: unknown) => {
        void worker.terminate();
        failed(error);
      });
    });
    worker.on('error', failed);
    worker.on('exit', () => last.then(() => done(!cancelled), failed));
  });
  return {
    finished,
    cancel() {
      cancelled = true;
      void worker.terminate();
    },
  };
}
