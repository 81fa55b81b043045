import { type Exact, exact, max, min, round, shown } from '../base/exact';
import { type Content, emptyContent } from '../content/document';
import { plainText } from '../content/plain';
import type { Rounding } from '../exams/plan';
import { type Boundaries, fillIn, type FillIn } from './policy';
import { decidedPercent, stepAt } from './decided';
import type { Earned } from './part-earned';

/** A score as far as its texts speak of it. */
export interface Told {
  marks: Exact;
  of: Exact;
  percent: Exact;
  /** Index into the boundaries' ranges. */
  range: number;
  sections: readonly ToldPart[];
  /** Topics and criteria of which the boundaries say something. */
  parts: readonly ToldPart[];
}

interface ToldPart extends Earned {
  id: string;
  title: string;
}

interface Surroundings {
  boundaries: Boundaries;
  rounding: Rounding;
  name: string;
  /** The day in words. */
  day: string;
}

/** The texts that a student reads: of the whole, and of each section, topic or criterion that has texts of its own. */
export interface ReadTexts {
  whole: Content;
  /** Of a part, by its id; null where nothing is said of it. */
  of: (part: string) => Content | null;
}

function bySuccess(parts: readonly ToldPart[], pick: typeof max): string {
  if (parts.length === 0) return '';
  const wanted = parts.map((s) => s.percent).reduce((a, b) => pick(a, b));
  return parts.find((s) => s.percent.equals(wanted))?.title ?? '';
}

/** Fills in what a range says of the whole, and what the ranges of its parts say of each. */
export function readTexts(told: Told, { boundaries, rounding, name, day }: Surroundings): ReadTexts {
  const { ranges, sections = [], parts = [] } = boundaries;
  const topics = told.parts.filter(({ id }) => parts.some((part) => part.is === 'topic' && part.id === id));
  const { places, mode } = rounding;
  const values = (of: Earned, next: string | undefined): Readonly<Record<FillIn, string>> => ({
    score: shown(of.marks, 2, mode),
    total: shown(of.of, 2, mode),
    percent: `${round(of.percent, places, mode)} %`,
    name,
    'weakest section': bySuccess(told.sections, min),
    'best section': bySuccess(told.sections, max),
    'weakest topic': bySuccess(topics, min),
    'best topic': bySuccess(topics, max),
    // Never less than nothing: who is kept below by a section has the percent of the next range already.
    'to the next range':
      next === undefined ? '0 %' : `${round(max(exact(0), exact(next).sub(of.percent)), places, 'ceiling')} %`,
    date: day,
  });
  return {
    whole: fillIn(ranges[told.range]?.text ?? emptyContent, values(told, ranges[told.range + 1]?.from)),
    of(part) {
      const own = (sections.find((one) => one.section === part) ?? parts.find(({ id }) => id === part))?.ranges ?? [];
      const score = [...told.sections, ...told.parts].find(({ id }) => id === part);
      if (!score) return null;
      const at = stepAt(own, decidedPercent(score.percent, rounding));
      const text = own[at]?.text;
      return text && plainText(text) !== '' ? fillIn(text, values(score, own[at + 1]?.from)) : null;
    },
  };
}

/** A student of a sitting as its results screen knows them, told as they will read it. Marks and percents are exact text. */
export function toldOf(
  row: {
    marks: string;
    of: string;
    percent: string;
    parts: Readonly<Record<string, { marks: string; of: string; percent: string }>>;
  },
  {
    sections,
    parts = [],
  }: Readonly<Record<'sections' | 'parts', readonly { id: string; title: string }[] | undefined>>,
  range: number,
): Told {
  const told = (all: readonly { id: string; title: string }[] = []): ToldPart[] =>
    all.flatMap(({ id, title }) => {
      const own = row.parts[id];
      return own ? [{ id, title, marks: exact(own.marks), of: exact(own.of), percent: exact(own.percent) }] : [];
    });
  return {
    marks: exact(row.marks),
    of: exact(row.of),
    percent: exact(row.percent),
    range,
    sections: told(sections),
    parts: told(parts),
  };
}
