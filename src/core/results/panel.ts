import { z } from 'zod';
import { intraclass } from '../agreement/many-raters';
import { borderlineGroup, borderlineRegression, contrastingGroups } from '../analysis/borderline';
import { angoff, type Compromise, ebel, hofstee, type Limits, type Panel, panel } from '../analysis/judges';
import { mean, sum } from '../analysis/numbers';
import { exact, percentText } from '../base/exact';

/** How a panel of judges comes to a pass mark. */
export const PANEL_METHODS = ['angoff', 'ebel', 'hofstee', 'borderline'] as const;
export type PanelMethod = (typeof PANEL_METHODS)[number];

export const RELEVANCES = ['essential', 'important', 'acceptable'] as const;
export const DIFFICULTIES = ['easy', 'medium', 'hard'] as const;
/** A cell of Ebel's table. */
export type Cell = `${(typeof RELEVANCES)[number]} ${(typeof DIFFICULTIES)[number]}`;
export const CELLS: readonly Cell[] = RELEVANCES.flatMap((r) => DIFFICULTIES.map((d): Cell => `${r} ${d}`));

/** Ratings of a whole script, by rising worth. The one in the middle is at the border. */
export const SCRIPT_RATINGS = [1, 2, 3, 4, 5] as const;
export const AT_BORDER = 3;

/** How far judges see what students earned: not at all, from the second round on, or always. */
export const FIGURES_SHOWN = ['never', 'later', 'always'] as const;

const ids = z.string().min(1).max(60);
const few = <T extends z.ZodType>(values: T) =>
  z.record(ids, values).refine((all) => Object.keys(all).length <= 5000, { message: 'too-many' });

/** What a judge has said so far. Everything may be missing; what a method does not ask for stays empty. */
export const estimateSchema = z.object({
  version: z.literal(1),
  /** Of each question, how many percent of its marks somebody who only just passes earns. */
  percents: few(percentText),
  /** Of each question, the cell of Ebel's table. */
  cells: few(z.enum(CELLS)),
  /** Of each cell, the percent that somebody who only just passes earns of it. */
  table: z.partialRecord(z.enum(CELLS), percentText),
  /** The lowest and highest cut and the fewest and most that fail, in percent. */
  limits: z.object({
    lowest: percentText.nullable(),
    highest: percentText.nullable(),
    fewest: percentText.nullable(),
    most: percentText.nullable(),
  }),
  /** Of each script, how it is as a whole. */
  ratings: few(z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(5)])),
  /** What is to be said to the others about a question. */
  notes: few(z.string().max(1000)),
});
export type Estimate = z.infer<typeof estimateSchema>;

export const NOTHING_SAID: Estimate = {
  version: 1,
  percents: {},
  cells: {},
  table: {},
  limits: { lowest: null, highest: null, fewest: null, most: null },
  ratings: {},
  notes: {},
};

/** What a panel judges. */
export interface Judged {
  questions: readonly { id: string; marks: number }[];
  /** What each script has, in percent of its marks. */
  scripts: readonly { attempt: string; percent: number }[];
}

const numberOf = (text: string): number => exact(text).valueOf();

/** How many answers a judge still owes. */
export function missing(method: PanelMethod, estimate: Estimate, { questions, scripts }: Judged): number {
  const open = (all: readonly string[], said: object): number => all.filter((id) => !(id in said)).length;
  const items = questions.map(({ id }) => id);
  switch (method) {
    case 'angoff':
      return open(items, estimate.percents);
    case 'ebel':
      return open(items, estimate.cells) + open(cellsUsed(estimate), estimate.table);
    case 'hofstee':
      return Object.values(estimate.limits).filter((limit) => limit === null).length;
    case 'borderline':
      return open(
        scripts.map(({ attempt }) => attempt),
        estimate.ratings,
      );
  }
}

/** The cells that a judge has put a question in. */
export const cellsUsed = ({ cells }: Pick<Estimate, 'cells'>): Cell[] =>
  CELLS.filter((cell) => Object.values(cells).includes(cell));

/** Whether limits exclude each other: no cut lies between them. */
export function limitsCross({ limits: { lowest, highest, fewest, most } }: Estimate): boolean {
  const over = (a: string | null, b: string | null): boolean =>
    a !== null && b !== null && exact(a).compare(exact(b)) > 0;
  return over(lowest, highest) || over(fewest, most);
}

/** The cut that one judge comes to alone, in percent of the marks; null while something is missing, or where the method has none. */
export function ownCut(method: PanelMethod, estimate: Estimate, judged: Judged): number | null {
  const { questions } = judged;
  const all = sum(questions.map(({ marks }) => marks));
  if ((method !== 'angoff' && method !== 'ebel') || missing(method, estimate, judged) > 0 || !(all > 0)) return null;
  if (method === 'angoff') return sum(inPercentOfAll(estimate, questions, all));
  const cells = cellsUsed(estimate).map((cell) => ({
    marks: sum(questions.map(({ id, marks }) => (estimate.cells[id] === cell ? marks : 0))),
    percent: numberOf(estimate.table[cell] ?? '0'),
  }));
  return (100 * ebel(cells)) / all;
}

/** Of each question, what percent of all marks somebody who only just passes earns with it. */
function inPercentOfAll(estimate: Estimate, questions: Judged['questions'], all: number): number[] {
  return questions.map(({ id, marks }) => (marks * numberOf(estimate.percents[id] ?? '0')) / all);
}

/** What the panel comes to. All cuts are percent of the marks. */
export type Outcome =
  | {
      by: 'judges';
      panel: Panel /** ICC(2, k): how far the judges rate the questions alike; null where it cannot be said. */;
      alike: number | null;
    }
  | { by: 'compromise'; compromise: Compromise }
  | {
      by: 'scripts';
      regression: { cut: number; error: number; rSquared: number } | null;
      group: { n: number; mean: number; median: number } | null;
      /** Of those rated below and above the border. */
      contrast: { below: number; above: number; midpoint: number; logistic: number | null; misplaced: number } | null;
    };

/** Brings together what judges have wholly said; null while none has, or where it leads to nothing. */
export function outcomeOf(method: PanelMethod, estimates: readonly Estimate[], judged: Judged): Outcome | null {
  const whole = estimates.filter((one) => missing(method, one, judged) === 0 && !limitsCross(one));
  if (whole.length === 0) return null;
  switch (method) {
    case 'angoff': {
      const all = sum(judged.questions.map(({ marks }) => marks));
      if (!(all > 0)) return null;
      const ratings = whole.map((one) => inPercentOfAll(one, judged.questions, all));
      const percents = judged.questions.map(({ id }) => whole.map((one) => numberOf(one.percents[id] ?? '0')));
      const found = angoff(ratings);
      return found && { by: 'judges', panel: found, alike: intraclass(percents)?.mean[1] ?? null };
    }
    case 'ebel': {
      const found = panel(whole.flatMap((one) => ownCut(method, one, judged) ?? []));
      return found && { by: 'judges', panel: found, alike: null };
    }
    case 'hofstee': {
      const limits = whole.map(({ limits: { lowest, highest, fewest, most } }): Limits => {
        const [a = 0, b = 0, c = 0, d = 0] = [lowest, highest, fewest, most].map((one) => numberOf(one ?? '0'));
        return { cut: [a, b], failing: [c, d] };
      });
      const compromise = hofstee(
        limits,
        judged.scripts.map(({ percent }) => percent),
      );
      return compromise && { by: 'compromise', compromise };
    }
    case 'borderline':
      return fromScripts(whole, judged.scripts);
  }
}

/** Marks against ratings; where several rated, by the mean of what they said, and at the border is what rounds to it. */
function fromScripts(estimates: readonly Estimate[], scripts: Judged['scripts']): Outcome | null {
  if (scripts.length === 0) return null;
  const ratings = scripts.map(({ attempt }) => mean(estimates.map((one) => one.ratings[attempt] ?? AT_BORDER)));
  const near = ratings.map(Math.round);
  const percents = scripts.map(({ percent }) => percent);
  const side = (is: (rating: number) => boolean): number[] => percents.filter((_, i) => is(near[i] ?? AT_BORDER));
  const [below, above] = [side((r) => r < AT_BORDER), side((r) => r > AT_BORDER)];
  const line = borderlineRegression(ratings, percents, AT_BORDER);
  const contrast = contrastingGroups(below, above);
  return {
    by: 'scripts',
    regression: line && { cut: line.at, error: line.error, rSquared: line.rSquared },
    group: borderlineGroup(near, percents, AT_BORDER),
    contrast: contrast && {
      below: below.length,
      above: above.length,
      midpoint: contrast.midpointOfMeans,
      logistic: contrast.logistic?.cut ?? null,
      misplaced: contrast.misplaced,
    },
  };
}
