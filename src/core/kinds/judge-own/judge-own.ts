import { z } from 'zod';
import { exact, stored } from '../../base/exact';
import { type Finding, stops, under } from '../../base/finding';
import {
  cellMarks,
  freshRubric,
  type Judgement,
  judgementSchema,
  rubricReadiness,
  rubricSchema,
} from '../../rules/rubric/rubric';
import type { KindWith } from '../contract';

const setup = z.object({
  version: z.literal(1),
  /** Criteria and levels by which the student judges, and whoever marks after them. */
  rubric: rubricSchema,
  /** Students see the levels without the marks that go with them. */
  hidesMarks: z.boolean(),
  /** Whether they say something to it. */
  words: z.boolean(),
  /** They judge it once it is handed in, until a person has marked it, instead of before. */
  afterwards: z.boolean().default(false),
  /** What whoever marks looks for; no student sees it. */
  example: z.string().max(10_000),
});
export type JudgeOwnSetup = z.infer<typeof setup>;

const response = z.object({ judgement: judgementSchema, words: z.string().max(5000) });
export type JudgeOwnResponse = z.infer<typeof response>;

export interface JudgeOwnSheet {
  title: string;
  levels: string[];
  criteria: {
    id: string;
    title: string;
    /** What each level means here, and its marks; null where they are hidden. */
    cells: { words: string; marks: string | null }[];
  }[];
  words: boolean;
  afterwards: boolean;
}

/** The levels that were chosen, as far as the rubric has them. */
function chosen({ rubric }: JudgeOwnSetup, judgement: Judgement): { title: string; level: string; at: number }[] {
  return rubric.criteria.flatMap(({ id, title }) => {
    const at = judgement[id]?.level ?? null;
    const level = at === null ? undefined : rubric.levels[at];
    return at === null || !level ? [] : [{ title, level: level.name, at }];
  });
}

function readiness({ rubric }: JudgeOwnSetup): Finding[] {
  const findings = under('rubric', rubricReadiness(rubric));
  if (rubric.look === 'single') findings.push(stops('own-needs-levels', ['rubric']));
  return findings;
}

/** Students judge their own work by a rubric; whoever marks judges by the same one. */
export const judgeOwn: KindWith<'selfJudged', JudgeOwnSetup, JudgeOwnSheet, JudgeOwnResponse> = {
  name: 'judgeOwn',
  placement: 'block',
  setup: { name: 'own judgement setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'own judgement response', version: 1, schema: response, migrations: [] },
  accepts: ({ rubric }, { judgement }) =>
    Object.entries(judgement).every(
      ([id, { level }]) =>
        rubric.criteria.some((one) => one.id === id) && (level === null || level < rubric.levels.length),
    ),
  fresh: () => ({
    version: 1,
    rubric: freshRubric('grid'),
    hidesMarks: true,
    words: true,
    afterwards: false,
    example: '',
  }),
  blank: ({ judgement, words }) =>
    words.trim() === '' && Object.values(judgement).every(({ level, marks }) => level === null && marks === null),
  sheet: ({ rubric, hidesMarks, words, afterwards }) => ({
    title: rubric.title,
    levels: rubric.levels.map(({ name }) => name),
    criteria: rubric.criteria.map((one) => ({
      id: one.id,
      title: one.title,
      cells: one.cells.map((cell, at) => ({
        words: cell.words,
        marks: hidesMarks ? null : stored(cellMarks(rubric, one, at).mul(exact(one.weight))),
      })),
    })),
    words,
    afterwards,
  }),
  readiness,
  describe: () => '…',
  describeResponse: (given, { judgement, words }) =>
    [
      ...chosen(given, judgement).map(({ title, level }) => `${title}: ${level}`),
      ...(words.trim() === '' ? [] : [words]),
    ].join('\n'),
  gist: (given, { judgement, words }) =>
    [...chosen(given, judgement).map(({ at }) => String(at)), words.trim()].filter((part) => part !== '').join(' '),
  looksFor: ({ example }) => example,
  selfJudged: {
    rubric: ({ rubric }) => rubric,
    judgement: ({ judgement }) => judgement,
    afterwards: ({ afterwards }) => afterwards,
  },
  put: (given, put) => ({ ...given, example: put(given.example, 'words') }),
};
