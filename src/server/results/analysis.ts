import { type Advice, adviceFor } from '@/core/analysis/advice';
import { choiceFigures } from '@/core/analysis/choices';
import { discrimination, groupSize, itemFigures, thirds, weighedMean } from '@/core/analysis/items';
import { deviation, mean, median, quantile, skew } from '@/core/analysis/numbers';
import { alpha, errorOfScore } from '@/core/analysis/reliability';
import { placedSlots, type Slot } from '@/core/bank/question';
import { firstWords } from '@/core/content/plain';
import type { PaperQuestion } from '@/core/exams/paper';
import { poolQuestions } from '@/core/exams/pool';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import type { Reader } from '../db/database';
import type { sittings } from '../db/schema/exams';
import type { Progress } from '../jobs/jobs';
import { byAttempt, marksToScore } from '../marking/current-marks';
import { currentAnswersOf } from '../sittings/attempts';
import { poolOfSitting } from '../sittings/pinned';
import { type Person, personsIn } from './persons';

/** An answer to a slot, and who gave it. Shares are from 0 to 1. */
export interface AnswerByAbility {
  /** In plain words; empty for no answer. */
  answer: string;
  chosen: number;
  share: number;
  upper: number;
  lower: number;
  /** The share of the weakest, the middle and the best third that gave it. */
  byThird: [number, number, number];
  /** The mean share of the marks of the slot that it has earned. */
  earns: number;
}

export interface AnalysedQuestion {
  item: string;
  /** In the bank. */
  question: string;
  number: string;
  label: string;
  /** How many have met it. */
  persons: number;
  /** Mean share of its marks. */
  facility: number;
  /** Correlation with the rest of the paper; null where nothing varies, or not everybody met it. */
  withRest: number | null;
  /** Mean share of the best 27 % minus that of the weakest; null where not everybody met it. */
  upperLower: number | null;
  /** The reliability of the others without it; null where it cannot be said. */
  alphaWithout: number | null;
  /** Share of those who left all of it empty. */
  omitted: number;
  advice: Advice[];
  slots: {
    letter: string;
    answers: AnswerByAbility[];
    /** How many other answers there were. */
    others: number;
    /** Answers that stand on the sheet and nobody gave. */
    neverGiven: string[];
  }[];
}

export interface Analysis {
  sitting: string;
  title: string;
  /** Whose paper is wholly marked, and how many wait. */
  persons: number;
  waiting: number;
  /** Of the percent of all; null of nobody. */
  spread: Record<'mean' | 'deviation' | 'least' | 'lower' | 'median' | 'upper' | 'most' | 'skew', number> | null;
  /** Of what everybody met; null where nothing can be said. `error` is in percent of those marks. */
  reliability: { alpha: number; error: number; questions: number } | null;
  questions: AnalysedQuestion[];
}

const SHARE = 0.27;
/** Answers that are told of a slot, the most frequent first, unless more are asked for. */
export const MOST_ANSWERS = 6;
/** The part of an analysis that is asked for where nothing else is said. */
export const QUESTIONS = { is: 'questions', most: MOST_ANSWERS } as const;

/** What the answers of a sitting say, whoever asks. Says after each question how far it is. */
export async function analyse(
  at: { db: { read: Reader }; now: number },
  sitting: typeof sittings.$inferSelect,
  most: number,
  say: (progress: Progress) => void,
): Promise<Analysis> {
  const { read } = at.db;
  const { id } = sitting;
  const { persons, waiting } = await personsIn(at, sitting);
  const marks = byAttempt(await marksToScore(read, { sitting: id }));
  const items = poolQuestions(await poolOfSitting(read, id)).filter(({ dropped }) => !dropped);
  const common = items.filter((item) => persons.length > 0 && persons.every(({ shares }) => shares.has(item.id)));
  // In marks, so that what is worth more counts more.
  const scores = persons.map(({ shares }) => common.map((item) => (shares.get(item.id) ?? 0) * item.marks.valueOf()));
  const figures = new Map(itemFigures(scores).map((one, i) => [common[i]?.id, one]));
  const parted = new Map(discrimination(scores, SHARE).map((one, i) => [common[i]?.id, one]));
  const whole = alpha(scores);
  const given = await currentAnswersOf(
    read,
    persons.map(({ attempt }) => attempt),
    items.map((item) => item.id),
  );
  return {
    sitting: id,
    title: sitting.title,
    persons: persons.length,
    waiting,
    spread: spreadOf(persons.map(({ percent }) => percent)),
    reliability:
      whole === null
        ? null
        : {
            alpha: whole,
            error: (100 * errorOfScore(scores, whole)) / common.reduce((sum, item) => sum + item.marks.valueOf(), 0),
            questions: common.length,
          },
    questions: items.flatMap((item, done): AnalysedQuestion[] => {
      say({ done, total: items.length });
      const met = persons.filter(({ shares }) => shares.has(item.id));
      if (met.length === 0) return [];
      const slots = item.question.vary ? [] : slotsOf(item, met, { given, marks, most });
      const facility = mean(met.map(({ shares }) => shares.get(item.id) ?? 0));
      const own = figures.get(item.id);
      const omitted = mean(met.map(({ attempt }) => (isEmpty(item, given.get(attempt)?.[item.id] ?? {}) ? 1 : 0)));
      const withRest = own?.withRest ?? null;
      const [only] = slots;
      const answers = slots.length === 1 && only ? only.answers : [];
      return [
        {
          item: item.id,
          question: item.source,
          number: item.number,
          label: firstWords(item.question.content, 60),
          persons: met.length,
          facility,
          withRest,
          upperLower: own ? (parted.get(item.id) ?? 0) / item.marks.valueOf() : null,
          alphaWithout: own?.alphaWithout ?? null,
          omitted,
          advice: adviceFor({
            persons: met.length,
            facility,
            withRest,
            omitted,
            answers,
            neverGiven: slots[0]?.neverGiven ?? [],
          }),
          slots,
        },
      ];
    }),
  };
}

function spreadOf(percents: readonly number[]): Analysis['spread'] {
  if (percents.length === 0) return null;
  return {
    mean: mean(percents),
    deviation: percents.length > 1 ? deviation(percents) : 0,
    least: Math.min(...percents),
    lower: quantile(percents, 0.25),
    median: median(percents),
    upper: quantile(percents, 0.75),
    most: Math.max(...percents),
    skew: percents.length > 2 && deviation(percents) > 0 ? skew(percents) : 0,
  };
}

const responseTo = (slot: Slot, raw: unknown): unknown => {
  const kind = kindOf(slot.kind);
  const read = readResponse(kind, raw);
  return read && !kind.blank(read.response) ? read.response : undefined;
};

function isEmpty({ question }: PaperQuestion, responses: Readonly<Record<string, unknown>>): boolean {
  return placedSlots(question).every(({ id, slot }) => responseTo(slot, responses[id]) === undefined);
}

/** Of the weakest, the middle and the best third, the share that did something; ties share their places. */
function sharesByThird(did: readonly boolean[], { upper, lower }: ReturnType<typeof thirds>): [number, number, number] {
  const values = did.map(Number);
  const between = values.map((_, p) => Math.max(0, 1 - (upper[p] ?? 0) - (lower[p] ?? 0)));
  const share = (weights: readonly number[]): number => weighedMean(values, weights) || 0;
  return [share(lower), share(between), share(upper)];
}

type Given = Awaited<ReturnType<typeof currentAnswersOf>>;
type Marks = ReturnType<typeof byAttempt>;

/** What was answered to the slots of a question, by who gave it. */
function slotsOf(
  item: PaperQuestion,
  met: readonly Person[],
  { given, marks, most }: { given: Given; marks: Marks; most: number },
): AnalysedQuestion['slots'] {
  const all = met.map(({ percent }) => percent);
  return placedSlots(item.question).map(({ id, letter, slot }) => {
    const kind = kindOf(slot.kind);
    const responses = met.map(({ attempt }) => responseTo(slot, given.get(attempt)?.[item.id]?.[id]));
    const gists = responses.map((response) => (response === undefined ? '' : kind.gist(slot.setup, response)));
    const worth = item.worth.get(id)?.valueOf() ?? 0;
    const options = [...new Set(gists)];
    const third = thirds(all, groupSize(all.length, 1 / 3));
    const found = choiceFigures(options, gists, { all, rest: all, share: SHARE }).toSorted(
      (a, b) => b.chosen - a.chosen,
    );
    const answers = found.slice(0, most).map(({ option, chosen, share, upper, lower }): AnswerByAbility => {
      const who = met.filter((_, p) => gists[p] === option);
      const earned = who.map(({ attempt }) => marks.get(attempt)?.get(item.id)?.get(id)?.valueOf() ?? 0);
      const response = responses[gists.indexOf(option)];
      return {
        answer: response === undefined ? '' : kind.describeResponse(slot.setup, response),
        chosen,
        share,
        upper,
        lower,
        byThird: sharesByThird(
          gists.map((gist) => gist === option),
          third,
        ),
        earns: worth > 0 ? mean(earned) / worth : 0,
      };
    });
    const neverGiven = (kind.offers?.of(slot.setup) ?? [])
      .filter((response) => !options.includes(kind.gist(slot.setup, response)))
      .map((response) => kind.describeResponse(slot.setup, response));
    return { letter, answers, others: found.length - answers.length, neverGiven };
  });
}
