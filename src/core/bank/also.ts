import { kindOf } from '../kinds/registry';
import { readResponse } from '../kinds/response';
import type { Slot } from './question';

/** How many answers can be right as a whole beside the key of a slot. */
export const MOST_ALSO = 20;

/**
 * The slot's setup with an answer as its key; null where the answer is not one
 * that can be right as a whole: its kind knows one key only, it speaks of what
 * is no longer there, or it leaves open what a key has to say.
 */
export function keyedBy({ kind: name, setup }: Slot, raw: unknown): unknown {
  const kind = kindOf(name);
  const response = readResponse(kind, raw)?.response;
  if (!kind.marked?.keyed || response === undefined || !kind.accepts(setup, response)) return null;
  const keyed = kind.marked.keyed(setup, response);
  return kind.readiness(keyed).some(({ weight }) => weight === 'stops') ? null : keyed;
}

/** The slot with one more answer that is right as a whole; the same where it is there already, or there are as many as can be. */
export function withAlso(slot: Slot, response: unknown): Slot {
  const { also = [] } = slot;
  const there = also.some((one) => JSON.stringify(one) === JSON.stringify(response));
  return there || also.length >= MOST_ALSO ? slot : { ...slot, also: [...also, response] };
}

/** The slot without one of those answers. */
export function withoutAlso({ also = [], ...slot }: Slot, response: unknown): Slot {
  const left = also.filter((one) => one !== response);
  return left.length > 0 ? { ...slot, also: left } : slot;
}
