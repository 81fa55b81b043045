import { logBeta, logChoose } from './distributions';
import { mean, sum } from './numbers';
import { kr21 } from './reliability';

/** How far the same students would pass or fail again, with another test of the kind. */
export interface Consistency {
  /** KR-21, with the variance of a population (n). */
  reliability: number;
  /** Livingston's k², with KR-21 for the reliability. */
  livingston: number;
  /** By the beta-binomial (Huynh, Journal of Educational Measurement 13, 1976): the share that passes, the share decided alike twice, and how far that is above chance. Null where KR-21 is not above 0. */
  decided: { alpha: number; beta: number; passing: number; agreement: number; kappa: number } | null;
}

/** Livingston's k² (Journal of Educational Measurement 9, 1972) of totals that are measured with this reliability, at a cut: (r·s² + (mean − cut)²)/(s² + (mean − cut)²). NaN where all totals stand at the cut. */
export function livingston(reliability: number, scores: readonly number[], cut: number): number {
  const middle = mean(scores);
  const spread = mean(scores.map((x) => (x - middle) ** 2));
  const away = (middle - cut) ** 2;
  return (reliability * spread + away) / (spread + away);
}

/** The consistency of passing at a cut, of so many items worth one mark each, from whole scores. Null where all scores are one, or of no item but one. */
export function consistency(items: number, scores: readonly number[], cut: number): Consistency | null {
  if (scores.length === 0) return null;
  const middle = mean(scores);
  const variance = mean(scores.map((x) => (x - middle) ** 2));
  const reliability = kr21(items, middle, variance);
  if (reliability === null) return null;
  const kept = { reliability, livingston: livingston(reliability, scores, cut) };
  if (!(reliability > 0)) return { ...kept, decided: null };
  const alpha = (1 / reliability - 1) * middle;
  const beta = items / reliability - items - alpha;
  // All have nothing, or all: no distribution is left.
  if (!(alpha > 0 && beta > 0)) return { ...kept, decided: null };
  const none = logBeta(alpha, beta);
  const failing = Array.from({ length: Math.max(0, Math.min(items + 1, Math.ceil(cut))) }, (_, x) => x);
  const fails = sum(failing.map((x) => Math.exp(logChoose(items, x) + logBeta(alpha + x, beta + items - x) - none)));
  const twice = sum(
    failing.flatMap((x) =>
      failing.map((y) =>
        Math.exp(logChoose(items, x) + logChoose(items, y) + logBeta(alpha + x + y, beta + 2 * items - x - y) - none),
      ),
    ),
  );
  const passing = 1 - fails;
  const agreement = 1 - 2 * (fails - twice);
  const byChance = passing ** 2 + fails ** 2;
  const kappa = byChance < 1 ? (agreement - byChance) / (1 - byChance) : NaN;
  return { ...kept, decided: { alpha, beta, passing, agreement, kappa } };
}
