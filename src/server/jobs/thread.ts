import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';

/** What a thread may keep in memory; one that wants more ends with an error. */
const MOST_MEGABYTES = 1024;

/** Starts a thread that runs `NAME.worker.ts`, as the build compiled it. Where is worked out when it runs, so that the framework does not take it in. */
export function startThread(
  name: 'hear' | 'heartbeat' | 'mark-anew' | 'mark-attempt' | 'read-file' | 'reckon',
  workerData: unknown,
): Worker {
  const compiled = path.join(process.cwd(), '.next', 'workers', `${name}.worker.mjs`);
  return new Worker(pathToFileURL(compiled), {
    workerData,
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  });
}

/** Gives an order to a thread of its own, and ends it with its first word; null when it dies, or takes longer than so many milliseconds. */
export async function askThread<Answer>(
  name: 'hear' | 'read-file',
  order: unknown,
  mostTime: number,
): Promise<Answer | null> {
  const thread = startThread(name, order);
  let timer: NodeJS.Timeout | undefined;
  const answer = await new Promise<Answer | null>((done) => {
    thread.once('message', done);
    // Out of memory, or ended without a word.
    thread.once('error', () => done(null));
    thread.once('exit', () => done(null));
    timer = setTimeout(() => done(null), mostTime);
  });
  clearTimeout(timer);
  void thread.terminate();
  return answer;
}
