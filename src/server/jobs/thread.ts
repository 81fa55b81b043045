import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';

/** What a thread may keep in memory; one that wants more ends with an error. */
const MOST_MEGABYTES = 1024;

/** Starts a thread that runs `NAME.worker.ts`, as the build compiled it. Where is worked out when it runs, so that the framework does not take it in. */
export function startThread(
  name: 'heartbeat' | 'mark-anew' | 'mark-attempt' | 'read-file',
  workerData: unknown,
): Worker {
  const compiled = path.join(process.cwd(), '.next', 'workers', `${name}.worker.mjs`);
  return new Worker(pathToFileURL(compiled), {
    workerData,
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  });
}
