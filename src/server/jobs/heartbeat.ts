import path from 'node:path';
import { readEnv } from '../env';
import { startThread } from './thread';

/** A thread that ended is started again after so many milliseconds. */
const AGAIN = 1000;

/** What the thread of the heartbeat is told. */
export interface HeartbeatOrder {
  url: string;
  /** The sign of life beside the database. */
  beside: string;
}

/**
 * Says that this process lives, from a thread of its own: however busy the
 * others are, time is given back only for when the process was not there.
 * Resolves with the first beat, which writes down a silence before it.
 */
export async function startHeartbeat(failed: (error: unknown) => void): Promise<void> {
  const { dataFolder, databaseUrl } = readEnv();
  const order: HeartbeatOrder = { url: databaseUrl, beside: path.join(dataFolder, 'alive') };
  await new Promise<void>((beats) => {
    const start = (): void => {
      const thread = startThread('heartbeat', order);
      thread.unref();
      thread.once('message', () => beats());
      thread.once('error', (error) => {
        failed(error);
        setTimeout(start, AGAIN).unref();
      });
    };
    start();
  });
}
