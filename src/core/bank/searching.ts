import { z } from 'zod';
import { KIND_NAMES } from '../kinds/names';
import { REVIEW_STATES } from './facts';

/** How questions did, as they are searched by it. */
export const PERFORMANCES = ['untried', 'easy', 'middling', 'hard', 'tells-little'] as const;
export type Performance = (typeof PERFORMANCES)[number];

/** From this share of the marks on a question was easy, below the other it was hard; common practice, no source. */
export const [EASY_FROM, HARD_BELOW] = [0.8, 0.4] as const;

/** What server, screen and exams know of searching the bank. */
export const searchSchema = z.object({
  /** One bank, or every bank that the actor sees. */
  bank: z.string().nullable(),
  topic: z.string().nullable(),
  words: z.string().max(100_000),
  kind: z.enum(KIND_NAMES).nullable(),
  difficulty: z.number().int().min(1).max(3).nullable(),
  demand: z.enum(['know', 'use', 'judge']).nullable().default(null),
  tag: z.string().nullable().default(null),
  goal: z.string().nullable().default(null),
  author: z.string().nullable().default(null),
  review: z.enum(REVIEW_STATES).nullable().default(null),
  /** Whether something stops them. */
  ready: z.boolean().nullable().default(null),
  /** Worth so many marks; "5" for five and more. */
  marks: z.enum(['1', '2', '3', '4', '5']).nullable().default(null),
  /** By the last sitting that held it. */
  used: z.enum(['never', 'this-year', 'not-this-year']).nullable().default(null),
  /** By how those did who met it: how much of its marks they earned, or that it hardly tells the better from the weaker. */
  performed: z.enum(PERFORMANCES).nullable().default(null),
  /** In use, put away, or deleted and not yet gone. */
  kept: z.enum(['live', 'archived', 'deleted']).default('live'),
  sort: z.enum(['best', 'newest', 'title']),
});
export type BankSearch = z.infer<typeof searchSchema>;

/** The search that everything fits, the newest first. */
export const OPEN_SEARCH: BankSearch = searchSchema.parse({
  bank: null,
  topic: null,
  words: '',
  kind: null,
  difficulty: null,
  sort: 'newest',
});

/** Questions come so many at a time. */
export const PAGE = 60;

/** Beyond so many hits nobody counts any more. */
export const MOST_COUNTED = 1000;

/** Stands before and after a hit in a snippet. */
export const HIT = '\u0001';

/** What is sought, from what was typed: at most twelve words, each of at most sixty letters. */
export function terms(words: string): string[] {
  return (words.match(/[\p{L}\p{N}]+/gu) ?? []).slice(0, 12).map((term) => term.slice(0, 60));
}
