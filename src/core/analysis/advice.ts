/** What is known of an item, as far as advice comes of it. Shares are from 0 to 1. */
export interface AdvisedItem {
  persons: number;
  /** Mean share of the marks. */
  facility: number;
  withRest: number | null;
  /** Share of persons who left it empty. */
  omitted: number;
  /** Answers that were given, with what they earn and who gave them. */
  /** Answers that stand on the sheet and were given by nobody. */
  neverGiven?: readonly string[];
  answers: readonly { answer: string; earns: number; upper: number; lower: number; chosen: number }[];
}

export type Advice =
  /** The best gave this answer, which earns nothing, more often than any that earns everything. */
  | { is: 'best-say-other'; answer: string }
  /** Who is better at the others is worse at this one. */
  | { is: 'turned-round' }
  /** It hardly tells the better from the weaker. */
  | { is: 'tells-little' }
  /** Nobody gave these answers, though they stand on the sheet. */
  | { is: 'never-given'; answers: readonly string[] }
  | { is: 'hard' }
  | { is: 'easy' }
  | { is: 'left-empty'; share: number };

/** With fewer persons figures say little, and no advice comes of them: common practice, no source. */
export const FEWEST = 20;
/** Of fewer persons, what somebody did could be told from the figures by who does not know the course. */
export const FEWEST_FOR_OTHERS = 5;
/** Below this an item is usually looked at again (Ebel 1965 names 0.2; less here, since the item is not in its rest). */
export const LITTLE = 0.1;
const [HARD, EASY, EMPTY] = [0.2, 0.95, 0.2];

/** What is worth a look at an item, the gravest first. */
export function adviceFor({ persons, facility, withRest, omitted, answers, neverGiven = [] }: AdvisedItem): Advice[] {
  if (persons < FEWEST) return [];
  const advice: Advice[] = [];
  const best = (of: typeof answers) => of.toSorted((a, b) => b.upper - a.upper)[0];
  const right = best(answers.filter(({ earns }) => earns >= 0.999));
  const wrong = best(answers.filter(({ earns, answer, chosen }) => earns <= 0.001 && answer !== '' && chosen > 1));
  if (wrong && wrong.upper > (right?.upper ?? 0) && wrong.upper > wrong.lower)
    advice.push({ is: 'best-say-other', answer: wrong.answer });
  if (withRest !== null && withRest < 0) advice.push({ is: 'turned-round' });
  else if (withRest !== null && withRest < LITTLE && facility < EASY) advice.push({ is: 'tells-little' });
  if (neverGiven.length > 0) advice.push({ is: 'never-given', answers: neverGiven });
  if (facility < HARD) advice.push({ is: 'hard' });
  if (facility > EASY) advice.push({ is: 'easy' });
  if (omitted > EMPTY) advice.push({ is: 'left-empty', share: omitted });
  return advice;
}
