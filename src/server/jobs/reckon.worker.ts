import { eq } from 'drizzle-orm';
import { parentPort, workerData } from 'node:worker_threads';
import { openReader } from '../db/database';
import { sittings } from '../db/schema/exams';
import { reckonPart } from '../results/reckon-part';
import type { FromReckoner, ReckonOrder } from './reckon';

/** Reckons one part of the analysis of a sitting in a thread of its own, so that nobody who saves waits for it. It reads; what it finds is kept by the one writer. */
const { url, sitting: id, now, part } = workerData as ReckonOrder;
const { read, close } = openReader(url);
const say = (message: FromReckoner): void => parentPort?.postMessage(message);
const [sitting] = await read.select().from(sittings).where(eq(sittings.id, id));
if (!sitting) throw new Error('There is no such sitting');
say({ found: await reckonPart({ db: { read }, now }, sitting, part, (progress) => say({ progress })) });
close();
