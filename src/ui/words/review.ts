import type { ReviewState } from '@/core/bank/facts';

/** Where a question stands in review, in a word. */
export const REVIEW_WORDS: Record<ReviewState, string> = {
  draft: 'draft',
  asked: 'waits for review',
  agreed: 'agreed',
  returned: 'returned',
};
