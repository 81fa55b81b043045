import { z } from 'zod';
import { shareText } from '../base/exact';

/**
 * An answer that somebody decided by itself, mostly after the exam: whatever
 * comes to the same earns this share. Asked before every other rule of its slot.
 */
export const settledAnswer = z.object({
  /** As a student gave it, in the form of the slot's kind. */
  response: z.unknown(),
  share: shareText,
  feedback: z.string().max(1000),
});
export type SettledAnswer = z.infer<typeof settledAnswer>;
