import { deviation, mean } from './numbers';
import type { RaschItem } from './rasch';

/** A question that two scales have: its difficulty on each, with the standard error. */
export type OnBoth = Record<'now' | 'before', Pick<RaschItem, 'difficulty' | 'error'>>;

export interface Link {
  /** What is added to the earlier scale to bring it onto the present one, in logits. */
  shift: number;
  /** Its standard error, by how far the questions agree about it. */
  error: number;
  /** For each question how much harder it is now than the link has it, in standard errors, and whether that is drift. */
  questions: { harder: number; inErrors: number; drifts: boolean }[];
}

/** With fewer questions that stand still there is no link; common practice, no source. */
export const FEWEST_LINKING = 5;
/** A question drifts when it moved by so many logits and so many standard errors; common practice, no source. */
const [DRIFT, SURE] = [0.5, 2];

/**
 * Brings an earlier Rasch scale onto the present one by the questions that both
 * have: one constant, the mean of the differences (Wright and Stone, Best Test
 * Design, 1979, ch. 5; mean–mean linking with slope one, Kolen and Brennan, Test
 * Equating, Scaling, and Linking, 2014, ch. 6). A question that moved against
 * the others is left out of the link, the farthest first, until the rest stand
 * still.
 *
 * @returns null where fewer than five questions are left to link by
 */
export function link(common: readonly OnBoth[]): Link | null {
  const apart = common.map(({ now, before }) => now.difficulty - before.difficulty);
  const errors = common.map(({ now, before }) => Math.hypot(now.error, before.error));
  let still = common.map((_, i) => i);
  for (;;) {
    if (still.length < FEWEST_LINKING) return null;
    const shift = mean(still.map((i) => apart[i] ?? 0));
    const questions = common.map((_, i) => {
      const harder = (apart[i] ?? 0) - shift;
      const inErrors = harder / (errors[i] ?? 1);
      return { harder, inErrors, drifts: Math.abs(harder) >= DRIFT && Math.abs(inErrors) > SURE };
    });
    const far = (i: number): number => Math.abs(questions[i]?.inErrors ?? 0);
    const drifting = still.filter((i) => questions[i]?.drifts);
    if (drifting.length === 0) {
      const error = deviation(still.map((i) => apart[i] ?? 0)) / Math.sqrt(still.length);
      return { shift, error, questions };
    }
    const farthest = drifting.reduce((a, b) => (far(b) > far(a) ? b : a));
    still = still.filter((i) => i !== farthest);
  }
}
