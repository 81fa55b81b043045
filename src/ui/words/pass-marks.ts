import type { Cell, Outcome, PanelMethod } from '@/core/results/panel';
import { plural } from './marks';

/** What judges are asked for, by method. */
export const METHODS: Record<PanelMethod, { name: string; asks: string }> = {
  angoff: {
    name: 'by question (Angoff)',
    asks: 'Think of students who only just pass. How many percent of its marks does such a student earn with each question?',
  },
  ebel: {
    name: 'by relevance and difficulty (Ebel)',
    asks: 'Say of each question how much it matters and how hard it is; then, of each such group, how many percent a student who only just passes earns.',
  },
  hofstee: {
    name: 'by bearable limits (Hofstee)',
    asks: 'Read the questions. Which pass marks, and how many who fail, could you bear at least and at most?',
  },
  borderline: {
    name: 'by scripts as a whole (borderline, contrasting groups)',
    asks: 'Read each script as a whole and say how it is, without counting its marks.',
  },
};

export const RATING_WORDS: Record<number, string> = {
  1: 'clearly not',
  2: 'rather not',
  3: 'at the border',
  4: 'passes',
  5: 'passes clearly',
};

export const FIGURES_WORDS: Record<'never' | 'later' | 'always', string> = {
  never: 'judges do not see what students earned',
  later: 'judges see what students earned from round 2 on',
  always: 'judges see what students earned',
};

export const cellText = (cell: Cell): string => cell.replace(' ', ', ');

export const percentOne = (percent: number): string => `${percent.toFixed(1)} %`;

/** A cut that a panel comes to, and what it comes of. */
export interface FoundCut {
  name: string;
  /** In percent. */
  cut: number;
  /** Its standard error in percent; null where there is none. */
  error: number | null;
  /** What else is to be known of it. */
  note: string;
}

/** Every cut of an outcome, the usual one first. */
export function cutsOf(outcome: Outcome): FoundCut[] {
  switch (outcome.by) {
    case 'judges': {
      const { panel, alike } = outcome;
      const agree = alike === null ? '' : ` Judges order the questions alike by ${alike.toFixed(2)} of 1.`;
      const spread = panel.spread
        ? `Single judges are apart by ${percentOne(panel.spread.deviation)} (standard deviation).${agree}`
        : 'One judge alone: nothing tells how sure this is.';
      return [
        {
          name: `mean of ${plural(panel.cuts.length, 'judge')}`,
          cut: panel.cut,
          error: panel.spread?.error ?? null,
          note: spread,
        },
        { name: 'median', cut: panel.median, error: null, note: '' },
      ];
    }
    case 'compromise': {
      const { cut, failing, crosses, limits } = outcome.compromise;
      const within = `between ${percentOne(limits.cut[0])} and ${percentOne(limits.cut[1])}, ${percentOne(limits.failing[0])} to ${percentOne(limits.failing[1])} failing`;
      const note =
        crosses === 'yes'
          ? `${percentOne(failing)} fail; ${within}.`
          : crosses === 'below'
            ? `Fewer fail than anybody asked for; this is the highest bearable mark, ${within}.`
            : `More fail than anybody would bear; this is the lowest bearable mark, ${within}.`;
      return [{ name: 'where the limits meet the scores', cut, error: null, note }];
    }
    case 'scripts': {
      const { regression, group, contrast } = outcome;
      return [
        ...(regression
          ? [
              {
                name: 'line through all scripts, at the border',
                cut: regression.cut,
                error: regression.error,
                note: `The ratings explain ${Math.round(100 * regression.rSquared)} % of the spread of the scores.`,
              },
            ]
          : []),
        ...(group
          ? [
              {
                name: `mean of ${plural(group.n, 'script')} at the border`,
                cut: group.mean,
                error: null,
                note: `Their median is ${percentOne(group.median)}.`,
              },
            ]
          : []),
        ...(contrast
          ? [
              {
                name: `between ${contrast.below} below and ${contrast.above} above`,
                cut: contrast.logistic ?? contrast.midpoint,
                error: null,
                note: `${contrast.logistic === null ? 'The middle of their means, since the scores part them wholly or not at all' : 'Where a script is as likely in the one group as in the other'}; the best cut still puts ${plural(contrast.misplaced, 'script')} in the wrong one.`,
              },
            ]
          : []),
      ];
    }
  }
}
