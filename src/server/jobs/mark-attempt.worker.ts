import { parentPort, workerData } from 'node:worker_threads';
import { openReader } from '../db/database';
import { firstMarks, type MarkOrder } from '../marking/first-marks';
import type { FromMarker } from './marker';

/** Marks attempts in a thread of its own: it says which answer it begins, so that whoever asked can end it when one takes too long. */
const read = openReader((workerData as { url: string }).url);
const say = (message: FromMarker): void => parentPort?.postMessage(message);
parentPort?.on('message', (order: MarkOrder) => {
  firstMarks(read, order, (at) => say({ at })).then(
    (marks) => say({ marks }),
    (error: unknown) => say({ failed: error instanceof Error ? error.name : typeof error }),
  );
});
