import { z } from 'zod';
import type { GivenWording } from '../bank/worded';
import { type SettledAnswer, settledAnswer } from '../rules/settled';
import { marksText } from '../base/exact';
import { slotId } from '../content/document';

/**
 * What is changed about one question of a sitting after it was written: rules
 * for single answers, never bare marks; or the question as a whole.
 */
const change = z.discriminatedUnion('what', [
  /** An answer, and whatever comes to the same, earns this share. */
  z.object({ what: z.literal('answer'), slot: slotId }).extend(settledAnswer.shape),
  /** A wording counts for a point of the rules, as the kind's `worded` names it. */
  z.object({
    what: z.literal('wording'),
    slot: slotId,
    point: z.string().min(1).max(40),
    wording: z.string().trim().min(1).max(200),
  }),
  /** Everybody gets all the marks of the question. */
  z.object({ what: z.literal('everyone') }),
  /** The question no longer counts, for nobody. */
  z.object({ what: z.literal('drop') }),
  /** It counts so many marks; whatever was earned in it counts in the same measure. */
  z.object({ what: z.literal('marks'), marks: marksText }),
]);
export type Change = z.infer<typeof change>;

export const changes = z.array(change).min(1).max(300);

/** What a question's mendings come to. */
export interface Amendment {
  settled: ReadonlyMap<string, readonly SettledAnswer[]>;
  /** Wordings that count for points, in the order in which they were given. */
  wordings: readonly (GivenWording & { slot: string })[];
  everyone: boolean;
  dropped: boolean;
  /** The marks that it counts, where they are others than it was set for. */
  marks: string | null;
}

/** Amendments of a sitting by the id of the placed question. */
export type Amendments = ReadonlyMap<string, Amendment>;

/** A question and what is changed about it. */
export interface Mending {
  item: string;
  changes: readonly Change[];
}

/** Adds up mendings in the order in which they were made, on top of earlier ones; of two about the same answer the later one is asked first. */
export function amendmentsOf(mendings: readonly Mending[], earlier: Amendments = new Map()): Amendments {
  const all = new Map<string, Amendment>(earlier);
  for (const { item, changes: made } of mendings) {
    for (const one of made) {
      const before = all.get(item) ?? {
        settled: new Map(),
        wordings: [],
        everyone: false,
        dropped: false,
        marks: null,
      };
      if (one.what === 'everyone') all.set(item, { ...before, everyone: true });
      else if (one.what === 'drop') all.set(item, { ...before, dropped: true });
      else if (one.what === 'wording') {
        const { slot, point, wording } = one;
        all.set(item, { ...before, wordings: [...before.wordings, { slot, point, wording }] });
      } else if (one.what === 'marks') all.set(item, { ...before, marks: one.marks });
      else {
        const { response, share, feedback } = one;
        const answers = [{ response, share, feedback }, ...(before.settled.get(one.slot) ?? [])];
        all.set(item, { ...before, settled: new Map(before.settled).set(one.slot, answers) });
      }
    }
  }
  return all;
}
