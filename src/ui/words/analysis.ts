import type { Advice } from '@/core/analysis/advice';

/** A share from 0 to 1 as whole percent. */
export const percentText = (share: number): string => `${Math.round(100 * share)} %`;

/** A correlation or a reliability, with two places and a true minus. */
export const figureText = (figure: number | null): string =>
  figure === null ? '–' : figure.toFixed(2).replace('-', '−');

/** Answers in quotation marks, one after the other. */
const listed = (answers: readonly string[]): string => answers.map((one) => `“${one}”`).join(' or ');

/** What is worth a look at a question, as a sentence. */
export function adviceText(advice: Advice): string {
  switch (advice.is) {
    case 'best-say-other':
      return `The best answered “${advice.answer}”: is the key right?`;
    case 'turned-round':
      return 'Who is better at the rest is worse at this one: is it asked, and marked, as it is meant?';
    case 'tells-little':
      return 'It hardly tells the better from the weaker.';
    case 'never-given':
      return `Nobody chose ${listed(advice.answers)}: ${advice.answers.length === 1 ? 'it leads' : 'they lead'} nobody astray.`;
    case 'hard':
      return 'Hardly anybody has it.';
    case 'easy':
      return 'Nearly everybody has it.';
    case 'left-empty':
      return `${percentText(advice.share)} left it empty: was there time, and was it understood?`;
  }
}

/** What a reliability says, by the usual measure: from 0.9 on for decisions about persons, from 0.7 on for a class (common practice, no source). */
export function reliabilityText(alpha: number): string {
  if (alpha >= 0.9) return 'enough to decide about a person';
  if (alpha >= 0.7) return 'good for a test in class; near the pass mark, look at more than the score';
  return alpha >= 0.5
    ? 'little: scores would come out differently with other questions like these'
    : 'hardly any: these questions have little in common, or are few';
}
