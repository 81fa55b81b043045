import { parentPort, workerData } from 'node:worker_threads';
import { hearFiles } from '@/core/speech/hear';
import type { HearOrder } from '../ports/recogniser';

/** Listens to one recording in a thread of its own. */
const { recording, samples } = workerData as HearOrder;
parentPort?.postMessage(hearFiles(recording, samples));
