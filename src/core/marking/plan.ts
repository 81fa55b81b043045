import { z } from 'zod';
import { type Exact, exact } from '../base/exact';
import { seeded, seedFor } from '../base/random';

const people = z.array(z.string()).max(200);
const percent = z.number().int().min(0).max(100);

/** Who marks what of a sitting. */
export const sharingSchema = z.discriminatedUnion('by', [
  /** Whoever marks in the sitting marks any of it. */
  z.object({ by: z.literal('all') }),
  /** Each question has its markers; one that is not named here is for all. */
  z.object({ by: z.literal('question'), markers: z.record(z.string(), people) }),
  /** The scripts go round among these. */
  z.object({ by: z.literal('script'), markers: people.min(1) }),
  /** As they come: whoever asks gets some that nobody has. */
  z.object({ by: z.literal('turn') }),
]);
export type Sharing = z.infer<typeof sharingSchema>;

/** Who else marks, without seeing how it was marked before. */
export const secondSchema = z.object({
  /** No answers, all that a person marks, a share of them drawn at random, or those of scripts near the pass mark. */
  which: z.enum(['none', 'all', 'share', 'near pass']),
  /** Of the answers, where a share is drawn. */
  percent: percent.min(1),
  /** Percent of the score below and above the pass mark that count as near. */
  near: percent,
  /** Marks that differ by more than this percent of the marks of the slot have to be settled. */
  apart: percent,
  /** Which mark counts where they differ by less. */
  counts: z.enum(['first', 'mean', 'higher']),
});
export type Second = z.infer<typeof secondSchema>;

/** How the answers of a sitting that people mark are shared out, and marked a second time. */
export const markingPlanSchema = z.object({
  version: z.literal(1),
  sharing: sharingSchema,
  second: secondSchema,
  /** Scripts, by their numbers, that were marked beforehand: others mark them too without knowing which, to see whether they are in step. */
  probes: z.array(z.number().int().min(1)).max(50).default([]),
  /** People mark answers before they are due, too. */
  early: z.boolean(),
});
export type MarkingPlan = z.infer<typeof markingPlanSchema>;

export const USUAL_MARKING: MarkingPlan = {
  version: 1,
  sharing: { by: 'all' },
  second: { which: 'none', percent: 20, near: 5, apart: 25, counts: 'first' },
  probes: [],
  early: false,
};

/** Whether an answer is this marker's to mark. Where they come in turn, whoever has it marks it; that is not known here. */
export function isShareOf(sharing: Sharing, answer: { item: string; script: number }, marker: string): boolean {
  if (sharing.by === 'question') return sharing.markers[answer.item]?.includes(marker) ?? true;
  if (sharing.by === 'script') return sharing.markers[answer.script % sharing.markers.length] === marker;
  return true;
}

/** Whether somebody has a part of the sharing, so that they look at that part and not at all of it. */
export function hasShare(sharing: Sharing, marker: string): boolean {
  if (sharing.by === 'question') return Object.values(sharing.markers).some((markers) => markers.includes(marker));
  return sharing.by === 'script' ? sharing.markers.includes(marker) : sharing.by === 'turn';
}

/**
 * Whether an answer is marked a second time. A share is drawn once for all:
 * the same answers of the same sitting, whenever it is asked. `score` is the
 * percent that the script has so far, `pass` the pass mark.
 */
export function wantsSecond(
  second: Second,
  answer: { sitting: string; attempt: string; item: string; slot: string },
  score: Exact,
  pass: Exact,
): boolean {
  if (second.which === 'near pass') return score.sub(pass).abs().compare(second.near) <= 0;
  if (second.which !== 'share') return second.which === 'all';
  const name = [answer.sitting, answer.attempt, answer.item, answer.slot].join(' ');
  return seeded(seedFor(0, name))() * 100 < second.percent;
}

/** What two marks of one answer come to: the one that counts, or null when they are so far apart that people have to settle it. */
export function marksTogether(second: Second, first: Exact, other: Exact, worth: Exact): Exact | null {
  const most = worth.mul(second.apart).div(100);
  if (first.sub(other).abs().compare(most) > 0) return null;
  if (second.counts === 'mean') return first.add(other).div(2);
  if (second.counts === 'higher') return first.compare(other) >= 0 ? first : other;
  return first;
}

/** Marks as a share of what can be had, as percent for tables; 0 of nothing. */
export function percentOf(marks: string, worth: Exact): number {
  return worth.equals(0) ? 0 : exact(marks).div(worth).mul(100).valueOf();
}
