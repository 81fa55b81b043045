import { and, eq, isNotNull } from 'drizzle-orm';
import { type AlikePair, alikeWrong, MOST_COMPARED } from '@/core/analysis/alike-wrong';
import { type Apart, apart } from '@/core/analysis/compare';
import { livingston } from '@/core/analysis/consistency';
import { type DifferentlyFigures, differently, inBands, sizeOf } from '@/core/analysis/differently';
import { totals } from '@/core/analysis/matrix';
import { correlation, mean, sum } from '@/core/analysis/numbers';
import { rasch, type RaschItem } from '@/core/analysis/rasch';
import { alpha, errorAround } from '@/core/analysis/reliability';
import { placedSlots } from '@/core/bank/question';
import { exact } from '@/core/base/exact';
import { firstWords } from '@/core/content/plain';
import type { PaperQuestion } from '@/core/exams/paper';
import { poolQuestions } from '@/core/exams/pool';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import { boundariesSchema } from '@/core/results/policy';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { type sittings } from '../db/schema/exams';
import { groups } from '../db/schema/people';
import { byAttempt, marksToScore } from '../marking/current-marks';
import type { Progress } from '../jobs/jobs';
import { membersBehind } from '../people/participants';
import { traitsInCourse } from '../people/traits';
import { currentAnswersOf } from '../sittings/attempts';
import { poolOfSitting } from '../sittings/pinned';
import { type Person, personsIn } from './persons';
import { scoresOf } from './results';

/** A question of the sitting, as it is named in figures. */
export interface Named {
  item: string;
  /** In the bank. */
  question: string;
  number: string;
  label: string;
}

/** Difficulties on one scale, or why there are none. */
export type OnScale =
  | {
      is: 'found';
      persons: number;
      items: (Named & RaschItem)[];
      /** How many persons have each ability, in logits; those with nothing or all are not on the scale. */
      abilities: { ability: number; persons: number }[];
    }
  | { is: 'few-persons'; persons: number; least: number }
  | { is: 'few-questions'; questions: number; least: number }
  | { is: 'no-estimate' };

/** Two groups beside each other. */
export interface Grouped {
  id: string;
  name: string;
  sizes: [number, number];
  means: [number, number];
  apart: Apart | null;
  /** Questions that are answered differently by persons of the same score: B and C. */
  differing: (Named & DifferentlyFigures & { size: 'B' | 'C' })[];
  /** How many questions could be compared. */
  compared: number;
}

/** What an analysis says beyond the questions one by one. */
export interface Deepened {
  scale: OnScale;
  /** How the groups that can be compared are named. */
  groupings: { id: string; name: string }[];
  /** Null where there are more scripts than are compared. */
  alike: (Omit<AlikePair, 'persons'> & { who: { attempt: string; name: string }[] })[] | null;
  sections: { titles: string[]; correlations: (number | null)[][] } | null;
  /** Minutes used against the score; null where they do not differ. */
  time: { minutes: number; withScore: number | null } | null;
  /**
   * How surely passing is decided at the pass mark that stands: Livingston's k² with alpha, and the standard error of the
   * scores around it in percent, null where too few are near. Null where nothing can be said.
   */
  decision: { passPercent: string; sureness: number; error: number | null } | null;
}

/** With fewer, difficulties by themselves would be guesses; common practice, no source. */
const [FEWEST_PERSONS, FEWEST_QUESTIONS] = [50, 5];
/** Groups are compared from so many persons in each on. */
const FEWEST_IN_GROUP = 10;
/** Whose score is within this share of the pass mark stands near it; of fewer the error there is not told. */
const [NEAR, FEWEST_NEAR] = [0.1, 5];
/** Persons of nearly the same score are compared: so many bands of it. */
const BANDS = 5;
const SIZES = ['B', 'C'] as const;

/** All that is said beyond the questions one by one. Says after each step how far it is. */
export async function deepen(
  at: At,
  sitting: typeof sittings.$inferSelect,
  say: (progress: Progress) => void,
): Promise<Deepened> {
  const { id } = sitting;
  const { read } = at.db;
  const step = (done: number): void => say({ done, total: 4 });
  const { persons } = await personsIn(at, sitting);
  step(1);
  const items = poolQuestions(await poolOfSitting(read, id)).filter(({ dropped }) => !dropped);
  const common = await commonIn(at, id, persons);
  const scored = await scoresOf(read, sitting, at.now);
  const scores = persons.map(({ shares }) => common.map((item) => (shares.get(item.id) ?? 0) * item.marks.valueOf()));
  step(2);
  const found = await groupingsOf(at, sitting, persons);
  const scale = onScale(common, persons);
  step(3);
  const alike = await alikeIn(at, items, persons);
  const names = new Map(scored.map(({ attempt, name }) => [attempt, name]));
  return {
    scale,
    groupings: found.map(({ id: key, name }) => ({ id: key, name })),
    alike:
      alike?.map(({ persons: pair, ...figures }) => ({
        ...figures,
        who: pair.map((p) => ({
          attempt: persons[p]?.attempt ?? '',
          name: names.get(persons[p]?.attempt ?? '') ?? '',
        })),
      })) ?? null,
    sections: sectionsOf(scored.map(({ score }) => score.sections)),
    time: await timeOf(at, id, persons),
    decision: decisionOf(scores, common, boundariesSchema.parse(sitting.boundaries).passPercent),
  };
}

/** Two groups of a sitting beside each other; null where there is no such grouping. */
export async function comparedIn(
  at: At,
  sitting: typeof sittings.$inferSelect,
  grouping: string,
): Promise<Grouped | null> {
  const { persons } = await personsIn(at, sitting);
  const chosen = (await groupingsOf(at, sitting, persons)).find((one) => one.id === grouping);
  return chosen ? compared(chosen, await commonIn(at, sitting.id, persons), persons) : null;
}

/** The questions that everybody met and that count. */
async function commonIn({ db: { read } }: At, sitting: string, persons: readonly Person[]): Promise<PaperQuestion[]> {
  return poolQuestions(await poolOfSitting(read, sitting)).filter(
    (item) => !item.dropped && persons.length > 0 && persons.every(({ shares }) => shares.has(item.id)),
  );
}

/** What is read from, and when. */
interface At {
  db: { read: Reader };
  now: number;
}

const named = ({ id, source, number, question }: PaperQuestion): Named => ({
  item: id,
  question: source,
  number,
  label: firstWords(question.content, 60),
});

/** Right where at least half of the marks were earned. */
const isRight = (share: number | undefined): 0 | 1 => ((share ?? 0) >= 0.5 ? 1 : 0);

function onScale(common: readonly PaperQuestion[], persons: readonly Person[]): OnScale {
  if (persons.length < FEWEST_PERSONS) return { is: 'few-persons', persons: persons.length, least: FEWEST_PERSONS };
  const right = persons.map(({ shares }) => common.map(({ id }) => isRight(shares.get(id))));
  // A question that all had right, or none, tells nothing of where it lies.
  const telling = common.flatMap((item, i) => {
    const count = sum(right.map((row) => row[i] ?? 0));
    return count > 0 && count < persons.length ? [{ item, i }] : [];
  });
  if (telling.length < FEWEST_QUESTIONS)
    return { is: 'few-questions', questions: telling.length, least: FEWEST_QUESTIONS };
  const matrix = right.map((row) => telling.map(({ i }) => row[i] ?? 0));
  const found = rasch(matrix);
  if (!found) return { is: 'no-estimate' };
  const totals = matrix.map((row) => sum(row));
  return {
    is: 'found',
    persons: totals.filter((total) => total > 0 && total < telling.length).length,
    items: telling.flatMap(({ item }, i) => {
      const own = found.items[i];
      return own ? [{ ...named(item), ...own }] : [];
    }),
    abilities: found.abilities.map((ability, i) => ({
      ability,
      persons: totals.filter((total) => total === i + 1).length,
    })),
  };
}

interface Grouping {
  id: string;
  name: string;
  /** Of each person, whether they are in it. */
  inside: boolean[];
}

/** How persons can be parted: by subjects and groups of the course, and by extra time; where both parts are large enough. */
async function groupingsOf(
  { db: { read } }: At,
  sitting: typeof sittings.$inferSelect,
  persons: readonly Person[],
): Promise<Grouping[]> {
  const traits = await traitsInCourse(read, sitting.course);
  const behind = await membersBehind(
    read,
    persons.map(({ participant }) => participant),
  );
  const own = persons.map(({ participant }) =>
    (behind.get(participant) ?? []).flatMap((member) => traits.get(member) ?? []),
  );
  const rows = await read
    .select({ id: attempts.id, extra: attempts.extraTimePercent })
    .from(attempts)
    .where(eq(attempts.sitting, sitting.id));
  const extra = new Map(rows.map(({ id, extra: percent }) => [id, percent > 0]));
  const known = await read.select().from(groups).where(eq(groups.course, sitting.course));
  const subjects = [...new Set(own.flatMap((all) => all.flatMap((one) => one.subjects)))].toSorted();
  const all: Grouping[] = [
    ...subjects.map((subject) => ({
      id: `subject ${subject}`,
      name: subject,
      inside: own.map((traitsOf) => traitsOf.some((one) => one.subjects.includes(subject))),
    })),
    ...known.map(({ id, name }) => ({
      id: `group ${id}`,
      name,
      inside: own.map((traitsOf) => traitsOf.some((one) => one.groups.includes(id))),
    })),
    { id: 'extra time', name: 'extra time', inside: persons.map(({ attempt }) => extra.get(attempt) ?? false) },
  ];
  return all.filter(({ inside }) => {
    const count = inside.filter(Boolean).length;
    return count >= FEWEST_IN_GROUP && inside.length - count >= FEWEST_IN_GROUP;
  });
}

function compared(
  { id, name, inside }: Grouping,
  common: readonly PaperQuestion[],
  persons: readonly Person[],
): Grouped {
  const percents = (is: boolean): number[] => persons.flatMap(({ percent }, p) => (inside[p] === is ? [percent] : []));
  const [first, second] = [percents(true), percents(false)];
  const right = persons.map(({ shares }) => common.map((item) => isRight(shares.get(item.id))));
  const totals = inBands(
    right.map((row) => sum(row)),
    BANDS,
  );
  const figures = common.map((item, i) => ({
    item,
    found: differently(
      right.map((row) => row[i] ?? 0),
      inside,
      totals,
    ),
  }));
  return {
    id,
    name,
    sizes: [first.length, second.length],
    means: [mean(first), mean(second)],
    apart: apart(first, second),
    compared: figures.filter(({ found }) => found !== null).length,
    differing: figures.flatMap(({ item, found }) => {
      const size = found && SIZES.find((one) => one === sizeOf(found));
      return found && size ? [{ ...named(item), ...found, size }] : [];
    }),
  };
}

/** Pairs of scripts with the same wrong answers, by what each answer comes to. */
async function alikeIn(
  { db: { read } }: At,
  items: readonly PaperQuestion[],
  persons: readonly Person[],
): Promise<AlikePair[] | null> {
  if (persons.length > MOST_COMPARED) return null;
  const slots = items.flatMap((item) =>
    // What varies is another question for each.
    item.question.vary ? [] : placedSlots(item.question).map(({ id, slot }) => ({ item, id, slot })),
  );
  const ids = persons.map(({ attempt }) => attempt);
  const given = await currentAnswersOf(
    read,
    ids,
    items.map(({ id }) => id),
  );
  const marks = byAttempt(await marksToScore(read, { attempts: ids }));
  return alikeWrong(
    persons.map(({ attempt }) =>
      slots.map(({ item, id, slot }) => {
        const earned = marks.get(attempt)?.get(item.id)?.get(id);
        if (!earned?.equals(0)) return null;
        const kind = kindOf(slot.kind);
        const response = readResponse(kind, given.get(attempt)?.[item.id]?.[id]);
        return response && !kind.blank(response.response) ? kind.gist(slot.setup, response.response) : null;
      }),
    ),
  );
}

type Sections = readonly { id: string; title: string; percent: { valueOf: () => number } }[];

/** How sections that everybody had go together. */
function sectionsOf(all: readonly Sections[]): Deepened['sections'] {
  const [first = []] = all;
  const common = first.filter(({ id }) => all.every((own) => own.some((one) => one.id === id)));
  if (common.length < 2 || all.length < 3) return null;
  const columns = common.map(({ id }) => all.map((own) => own.find((one) => one.id === id)?.percent.valueOf() ?? 0));
  return {
    titles: common.map(({ title }) => title),
    correlations: columns.map((a) => columns.map((b) => correlation(a, b))),
  };
}

async function timeOf({ db: { read } }: At, id: string, persons: readonly Person[]): Promise<Deepened['time']> {
  const rows = await read
    .select({ id: attempts.id, from: attempts.startedAt, to: attempts.handedInAt })
    .from(attempts)
    .where(and(eq(attempts.sitting, id), isNotNull(attempts.handedInAt)));
  const minutes = new Map(rows.map(({ id: attempt, from, to }) => [attempt, ((to ?? from) - from) / 60_000]));
  const used = persons.map(({ attempt }) => minutes.get(attempt) ?? 0);
  if (used.length === 0) return null;
  const percents = persons.map(({ percent }) => percent);
  return { minutes: mean(used), withScore: correlation(used, percents) };
}

/** Reckoned in marks of what everybody met. */
function decisionOf(
  scores: readonly (readonly number[])[],
  common: readonly PaperQuestion[],
  passPercent: string,
): Deepened['decision'] {
  const whole = alpha(scores);
  if (whole === null) return null;
  const full = sum(common.map(({ marks }) => marks.valueOf()));
  const cut = (exact(passPercent).valueOf() / 100) * full;
  const error = errorAround(scores, cut, NEAR * full, FEWEST_NEAR);
  return {
    passPercent,
    sureness: livingston(whole, totals(scores), cut),
    error: error === null ? null : (100 * error) / full,
  };
}
