import type { AnalysisPart, Reckoned } from '../results/reckon-part';
import type { Progress } from './jobs';
import { startThread } from './thread';

/** Which part of the analysis of which sitting, as its results are at a moment. */
export interface ReckonOrder {
  url: string;
  sitting: string;
  now: number;
  part: AnalysisPart;
}

/** What the thread says: how far it is, and in the end what it found. */
export type FromReckoner = { progress: Progress } | { found: Reckoned<AnalysisPart> };

/** Reckons in a thread of its own. Rejects when the thread dies. */
export function reckonApart(order: ReckonOrder, say: (progress: Progress) => void): Promise<Reckoned<AnalysisPart>> {
  const thread = startThread('reckon', order);
  return new Promise((done, failed) => {
    thread.on('message', (message: FromReckoner) => {
      if ('found' in message) done(message.found);
      else say(message.progress);
    });
    thread.once('error', failed);
    thread.once('exit', () => failed(new Error('The thread ended without a word')));
  });
}
