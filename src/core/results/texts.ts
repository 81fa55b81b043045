import { type Exact, exact, max, min, round, shown } from '../base/exact';
import type { Rounding } from '../exams/plan';
import { type Boundaries, fillIn, type FillIn } from './policy';
import { decidedPercent } from './decided';
import { stepAt } from './score';

/** A score as far as its texts speak of it. */
export interface Told {
  marks: Exact;
  of: Exact;
  percent: Exact;
  /** Index into the boundaries' ranges. */
  range: number;
  sections: readonly { id: string; title: string; marks: Exact; of: Exact; percent: Exact }[];
}

interface Surroundings {
  boundaries: Boundaries;
  rounding: Rounding;
  name: string;
  /** The day in words. */
  day: string;
}

/** The texts that a student reads: of the whole, and of each section that has texts of its own. */
export interface ReadTexts {
  whole: string;
  of: (section: string) => string;
}

function bySuccess(sections: Told['sections'], pick: typeof max): string {
  if (sections.length === 0) return '';
  const wanted = sections.map((s) => s.percent).reduce((a, b) => pick(a, b));
  return sections.find((s) => s.percent.equals(wanted))?.title ?? '';
}

/** Fills in what a range says of the whole, and what the ranges of sections say of each. */
export function readTexts(told: Told, { boundaries, rounding, name, day }: Surroundings): ReadTexts {
  const { ranges, sections = [] } = boundaries;
  const { places, mode } = rounding;
  const values = (
    of: Pick<Told, 'marks' | 'of' | 'percent'>,
    next: string | undefined,
  ): Readonly<Record<FillIn, string>> => ({
    score: shown(of.marks, 2, mode),
    total: shown(of.of, 2, mode),
    percent: `${round(of.percent, places, mode)} %`,
    name,
    'weakest section': bySuccess(told.sections, min),
    'best section': bySuccess(told.sections, max),
    // Never less than nothing: who is kept below by a section has the percent of the next range already.
    'to the next range':
      next === undefined ? '0 %' : `${round(max(exact(0), exact(next).sub(of.percent)), places, 'ceiling')} %`,
    date: day,
  });
  return {
    whole: fillIn(ranges[told.range]?.text ?? '', values(told, ranges[told.range + 1]?.from)),
    of(section) {
      const own = sections.find((one) => one.section === section)?.ranges ?? [];
      const score = told.sections.find(({ id }) => id === section);
      if (own.length === 0 || !score) return '';
      const at = stepAt(own, decidedPercent(score.percent, rounding));
      return fillIn(own[at]?.text ?? '', values(score, own[at + 1]?.from));
    },
  };
}

/** A student of a sitting as its results screen knows them, told as they will read it. Marks and percents are exact text. */
export function toldOf(
  row: {
    marks: string;
    of: string;
    percent: string;
    sections: Readonly<Record<string, { marks: string; of: string; percent: string }>>;
  },
  sections: readonly { id: string; title: string }[],
  range: number,
): Told {
  return {
    marks: exact(row.marks),
    of: exact(row.of),
    percent: exact(row.percent),
    range,
    sections: sections.flatMap(({ id, title }) => {
      const own = row.sections[id];
      return own ? [{ id, title, marks: exact(own.marks), of: exact(own.of), percent: exact(own.percent) }] : [];
    }),
  };
}
