import { z } from 'zod';

/** What an author says about a question beside what stands on its sheet. */
export const factsSchema = z.object({
  topic: z.string().nullable(),
  difficulty: z.number().int().min(1).max(3),
  demand: z.enum(['know', 'use', 'judge']),
  /** Free words, each once, in the order of the alphabet. */
  tags: z.array(z.string().trim().min(1).max(40)).max(30).transform(tidyTags),
  /** Ids of learning goals. */
  goals: z.array(z.string()).max(30),
});
export type QuestionFacts = z.infer<typeof factsSchema>;

export const DEMANDS = ['know', 'use', 'judge'] as const;
export type Demand = (typeof DEMANDS)[number];

/** Tags without repeats (capitals do not tell two apart), sorted. */
export function tidyTags(tags: readonly string[]): string[] {
  const seen = new Map(tags.map((tag) => [tag.trim().toLowerCase(), tag.trim()]));
  return [...seen.values()].filter((tag) => tag !== '').sort((a, b) => a.localeCompare(b, 'en'));
}

export const freshFacts: QuestionFacts = { topic: null, difficulty: 1, demand: 'know', tags: [], goals: [] };

/** Where a question stands in review. */
export const REVIEW_STATES = ['draft', 'asked', 'agreed', 'returned'] as const;
export type ReviewState = (typeof REVIEW_STATES)[number];
