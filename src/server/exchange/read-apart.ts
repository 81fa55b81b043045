import { ok, type Result, refuse } from '@/core/base/result';
import { Gate } from '../door/gate';
import { askThread } from '../jobs/thread';
import type { FileRead, RowsRead } from './read-file';

/** What is to be read: questions in whatever form, or bare rows. */
export interface ReadOrder {
  name: string;
  bytes: Uint8Array;
  as: 'questions' | 'rows';
}

/** What the thread says at its end. */
export type ReadOutcome<R = FileRead | RowsRead> =
  | { read: R }
  | { refused: 'file-grows' | 'file-unreadable' | 'file-too-many' };

export const MOST_QUESTIONS = 10_000;
/** A file may take so long, in milliseconds. */
const MOST_TIME = 20_000;
/** One is read at a time, and so many wait. */
const waiting = new Gate(1, 20);

/** Reads the questions of a file in a thread of its own, bounded in time and memory. */
export function readApart(name: string, bytes: Uint8Array, mostTime = MOST_TIME): Promise<Result<FileRead>> {
  return inThread<FileRead>({ name, bytes, as: 'questions' }, mostTime);
}

/** Reads the bare rows of a file, likewise. */
export function readRowsApart(name: string, bytes: Uint8Array): Promise<Result<RowsRead>> {
  return inThread<RowsRead>({ name, bytes, as: 'rows' }, MOST_TIME);
}

async function inThread<R>(order: ReadOrder, mostTime: number): Promise<Result<R>> {
  const leave = await waiting.enter();
  if (!leave) return refuse('too-much-at-once');
  const outcome = await askThread<ReadOutcome<R>>('read-file', order, mostTime);
  leave();
  if (!outcome) return refuse('file-too-much', { values: { seconds: mostTime / 1000 } });
  return 'read' in outcome ? ok(outcome.read) : refuse(outcome.refused, { values: { most: MOST_QUESTIONS } });
}
