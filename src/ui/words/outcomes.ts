import type { Outcome } from '@/server/results/slots-seen';

/** How an answer came out, where marks are not told. */
export const OUTCOMES: Record<Outcome, string> = {
  right: 'right',
  part: 'partly right',
  wrong: 'not right',
  waits: 'waits for a person',
};
