import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { PlainChunk } from '../marking/plain-remarking';
import type { RemarkOrder } from '../marking/remark-attempts';

/** How a thread begins: it learns to read TypeScript, and goes where it is told. Written as text, so that the build does not take it in. */
const THREAD = `import('tsx/esm/api').then(({ register }) => {
  register();
  return import(require('node:worker_threads').workerData.job);
})`;

/** A re-marking that runs in a thread of its own. */
export interface RemarkJob {
  /** Ends when all is marked, with false when it was cancelled. */
  finished: Promise<boolean>;
  cancel: () => void;
}

/**
 * Starts to mark a sitting anew. Chunks come one after another: the next is
 * asked for when `take` is done with the one before. The thread runs the
 * source itself, so it must stand beside the built application.
 */
export function startRemark(url: string, order: RemarkOrder, take: (chunk: PlainChunk) => Promise<void>): RemarkJob {
  const job = pathToFileURL(path.join(process.cwd(), 'src/server/jobs/remark.worker.ts')).href;
  const worker = new Worker(THREAD, { eval: true, workerData: { job, url, order }, execArgv: [] });
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
