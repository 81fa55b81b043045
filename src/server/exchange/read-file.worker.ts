import { parentPort, workerData } from 'node:worker_threads';
import { ZipRefused } from '@/core/exchange/zip';
import { MOST_QUESTIONS, type ReadOrder, type ReadOutcome } from './read-apart';
import { readFile, readRows } from './read-file';

/** Reads one file in a thread of its own, so that one that takes long, or wants much memory, stops nobody. */
const { name, bytes, as } = workerData as ReadOrder;
const say = (outcome: ReadOutcome): void => parentPort?.postMessage(outcome);
(as === 'rows' ? readRows(bytes) : readFile(name, bytes)).then(
  // What is too many is not carried over: taking it in would hold up whoever asked.
  (read) =>
    say('questions' in read && read.questions.length > MOST_QUESTIONS ? { refused: 'file-too-many' } : { read }),
  (error: unknown) =>
    say({ refused: error instanceof ZipRefused && error.reason === 'too-large' ? 'file-grows' : 'file-unreadable' }),
);
