import { setTimeout as sleep } from 'node:timers/promises';
import { parentPort, workerData } from 'node:worker_threads';
import { openDatabase } from '../db/database';
import { BEAT, beat, besideFile } from '../sittings/heartbeat';
import type { HeartbeatOrder } from './heartbeat';

/** Beats until its process ends. A beat that the busy database did not take is no silence: this thread was there. */
const { url, beside } = workerData as HeartbeatOrder;
const db = await openDatabase(url);
const file = besideFile(beside);
let aliveAt: number | null = null;
for (;;) {
  const now = Date.now();
  const written = await db
    .transaction((tx) => beat(tx, file, now, aliveAt))
    .then(
      () => true,
      () => false,
    );
  // The first beat has to be written before anything is decided about time.
  if (written && aliveAt === null) parentPort?.postMessage('beats');
  if (written || aliveAt !== null) aliveAt = Date.now();
  await sleep(BEAT);
}
