import { parentPort, workerData } from 'node:worker_threads';
import { openReader } from '../db/database';
import { plainChunk, type PlainChunk } from '../marking/plain-anew';
import { markAttemptsAnew, type AnewOrder } from '../marking/attempts-anew';

/** Marks a sitting anew in a thread of its own, so that nobody who saves waits for it. It reads; what it finds is written by the one writer. */
const { url, order } = workerData as { url: string; order: AnewOrder };
for await (const chunk of markAttemptsAnew(openReader(url).read, order)) {
  parentPort?.postMessage(plainChunk(chunk) satisfies PlainChunk);
}
