import { parentPort } from 'node:worker_threads';
import { openReader, type Reader } from '../db/database';
import { firstMarks, type MarkOrder } from '../marking/first-marks';
import type { FromMarker } from './marker';

/** Marks attempts in a thread of its own: it says which answer it begins, so that whoever asked can end it when one takes too long. */
let open: ({ url: string } & ReturnType<typeof openReader>) | undefined;
/** The connection to a database; it is kept as long as orders come from the same. */
function readerOf(url: string): Reader {
  if (open?.url !== url) {
    open?.close();
    open = { url, ...openReader(url) };
  }
  return open.read;
}

const say = (message: FromMarker): void => parentPort?.postMessage(message);
parentPort?.on('message', (order: MarkOrder) => {
  firstMarks(readerOf(order.database), order, (at) => say({ at })).then(
    (marks) => say({ marks }),
    (error: unknown) => say({ failed: error instanceof Error ? error.name : typeof error }),
  );
});
