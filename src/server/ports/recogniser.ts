import { NOTHING_UNDERSTOOD, type Understood } from '@/core/speech/understood';
import { Mutex } from '../db/mutex';
import { askThread } from '../jobs/thread';

/** A recording that is to be understood, and what it may say: words, and somebody saying them. All are WAV files. */
export interface HearOrder {
  recording: Uint8Array;
  samples: readonly { words: string; sound: Uint8Array }[];
}

/** Understands speech. Where nothing can be understood it says so; it never throws. */
export interface Recogniser {
  hear: (order: HearOrder) => Promise<Understood>;
}

/** One recording may take so long, in milliseconds. */
const MOST_TIME = 10_000;

/**
 * The recogniser that comes with the application: it compares the recording with the samples by their sound, in a thread
 * of its own, one after another. It knows no language, and can mishear.
 */
export function standInRecogniser(): Recogniser {
  const queue = new Mutex();
  return {
    hear: (order) =>
      queue.run(async () => (await askThread<Understood>('hear', order, MOST_TIME)) ?? NOTHING_UNDERSTOOD),
  };
}
