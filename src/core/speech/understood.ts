/** What was understood of a recording. */
export interface Understood {
  /** The words of the nearest sample; empty when nothing that is known was heard. */
  words: string;
  /** From 0 to 1: how far the nearest sample stands before whatever comes next. */
  sure: number;
}

export const NOTHING_UNDERSTOOD: Understood = { words: '', sure: 0 };

/** How sure a machine may have to be of what it understood, from 0 to 1. */
export const SURE_ENOUGH = { fairly: 0.5, quite: 0.8, very: 0.95 } as const;
