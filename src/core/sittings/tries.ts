import { z } from 'zod';

/** How often a sitting can be sat, and which of the attempts counts. */
export const triesSchema = z.object({
  /** Attempts of each participant; null for as many as they like. */
  most: z.number().int().min(1).max(50).nullable(),
  /** Minutes between handing in and the next beginning. */
  apart: z
    .number()
    .int()
    .min(0)
    .max(60 * 24 * 366),
  counts: z.enum(['best', 'last', 'mean']),
  /** Each attempt has the same paper, or draws and numbers of its own. */
  same: z.boolean(),
});
export type Tries = z.infer<typeof triesSchema>;

export const ONCE: Tries = { most: 1, apart: 0, counts: 'last', same: false };

/** An attempt, as far as it decides whether there is another. */
export interface Tried {
  id: string;
  startedAt: number;
  handedInAt: number | null;
  /** A teacher set it aside: it counts nowhere, and takes away no attempt. */
  aside: boolean;
}

/** What somebody who comes finds: the attempt they are at, one that they may begin, or none any more. */
export type NextTry =
  | { is: 'open'; attempt: string }
  | { is: 'new'; number: number }
  | { is: 'later'; from: number; number: number }
  | { is: 'used up'; attempt: string };

/** Which attempt is next; `tried` are those of one participant, in any order. */
export function nextTry(tried: readonly Tried[], tries: Tries, now: number): NextTry {
  const counting = tried.filter(({ aside }) => !aside).sort((a, b) => a.startedAt - b.startedAt);
  const open = counting.find(({ handedInAt }) => handedInAt === null);
  if (open) return { is: 'open', attempt: open.id };
  const last = counting.at(-1);
  const number = counting.length + 1;
  if (last && tries.most !== null && number > tries.most) return { is: 'used up', attempt: last.id };
  const from = (last?.handedInAt ?? 0) + tries.apart * 60_000;
  return last && now < from ? { is: 'later', from, number } : { is: 'new', number };
}
