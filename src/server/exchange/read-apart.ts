import { ok, type Result, refuse } from '@/core/base/result';
import { Gate } from '../door/gate';
import { startThread } from '../jobs/thread';
import type { FileRead } from './read-file';

/** What the thread says at its end. */
export type ReadOutcome = { read: FileRead } | { refused: 'file-grows' | 'file-unreadable' | 'file-too-many' };

export const MOST_QUESTIONS = 10_000;
/** A file may take so long, in milliseconds. */
const MOST_TIME = 20_000;
/** One is read at a time, and so many wait. */
const waiting = new Gate(1, 20);

/** Reads a file in a thread of its own, bounded in time and memory. */
export async function readApart(name: string, bytes: Uint8Array, mostTime = MOST_TIME): Promise<Result<FileRead>> {
  const leave = await waiting.enter();
  if (!leave) return refuse('too-much-at-once');
  const thread = startThread('read-file', { name, bytes });
  let timer: NodeJS.Timeout | undefined;
  const outcome = await new Promise<ReadOutcome | null>((done) => {
    thread.once('message', done);
    // Out of memory, or ended without a word.
    thread.once('error', () => done(null));
    thread.once('exit', () => done(null));
    timer = setTimeout(() => done(null), mostTime);
  });
  clearTimeout(timer);
  void thread.terminate();
  leave();
  if (!outcome) return refuse('file-too-much', { values: { seconds: mostTime / 1000 } });
  return 'read' in outcome ? ok(outcome.read) : refuse(outcome.refused, { values: { most: MOST_QUESTIONS } });
}
