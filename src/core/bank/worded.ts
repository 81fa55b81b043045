import { kindOf } from '../kinds/registry';
import type { Slot } from './question';

/** A wording that counts for a point, as the kind's `worded` names it. */
export interface GivenWording {
  point: string;
  wording: string;
}

/** The slot with wordings given to its points; as it was, where its kind has none. */
export function withWordings(slot: Slot, given: readonly GivenWording[]): Slot {
  const { worded } = kindOf(slot.kind);
  if (!worded || given.length === 0) return slot;
  const setup = given.reduce((before, { point, wording }) => worded.give(before, point, wording), slot.setup);
  return { ...slot, setup };
}
