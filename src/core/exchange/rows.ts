import { exact, parseExact, stored } from '../base/exact';
import { DEMANDS, type QuestionFacts, tidyTags } from '../bank/facts';
import { emptyQuestion, placedSlots, type QuestionBody } from '../bank/question';
import { type Finding, isStop } from '../base/finding';
import { questionReadiness } from '../bank/readiness';
import type { Block } from '../content/document';
import { contentFromLines, linesFromContent } from '../content/lines';
import { markdownFromContent } from '../content/to-markdown';
import type { KindName } from '../kinds/names';
import { kindOf, TYPED_KINDS, typedKind } from '../kinds/registry';

/**
 * Questions in a spreadsheet: one question a row, one answer slot each. The
 * columns are found by their heads, in any order; formats.md says what they mean.
 */
export const COLUMNS = [
  'kind',
  'question',
  'key',
  'marks',
  'title',
  'topic',
  'difficulty',
  'demand',
  'tags',
  'explanation',
  'notes',
] as const;
export type Column = (typeof COLUMNS)[number];

/** Kinds by how they are called in the column "kind". */
const KIND_OF = new Map(TYPED_KINDS.map((kind) => [typedKind(kind).typed.name, kind]));

/** A question read from a row; topics by their names, to be found in the bank. */
export interface RowQuestion {
  body: QuestionBody;
  facts: Pick<QuestionFacts, 'difficulty' | 'demand' | 'tags'>;
  topic: string;
}

export type RowProblem =
  | 'kind-unknown'
  | 'question-empty'
  | 'key-empty'
  | 'marks-unreadable'
  | 'difficulty-unreadable'
  | 'demand-unknown'
  | 'not-ready';

export interface BadRow {
  /** As the spreadsheet counts: the heads are row 1. */
  row: number;
  column: Column;
  problem: RowProblem;
  value: string;
  /** The kind that the row asks for, and what stops its question. */
  kind?: KindName;
  why?: Finding;
}

export interface ReadRows {
  questions: (RowQuestion & { row: number })[];
  bad: BadRow[];
  /** Heads that mean nothing here. */
  unknownColumns: string[];
}

/** Reads rows under a row of heads. Empty rows are left out; every fault is told with its place. */
export function questionsFromRows(rows: readonly (readonly string[])[]): ReadRows {
  const heads = (rows[0] ?? []).map((head) => head.trim().toLowerCase());
  const read: ReadRows = {
    questions: [],
    bad: [],
    unknownColumns: heads.filter((head) => head !== '' && !COLUMNS.includes(head as Column)),
  };
  rows.slice(1).forEach((cells, i) => {
    const value = (column: Column): string => (cells[heads.indexOf(column)] ?? '').trim();
    if (cells.every((cell) => cell.trim() === '')) return;
    const row = i + 2;
    const made = questionFromRow(value);
    if (Array.isArray(made)) {
      read.bad.push(
        ...made.map(([column, problem, more]) => ({
          row,
          column,
          problem,
          value: value(column).slice(0, 80),
          ...more,
        })),
      );
    } else read.questions.push({ ...made, row });
  });
  return read;
}

type Fault = [column: Column, problem: RowProblem, more?: Pick<BadRow, 'kind' | 'why'>];

function questionFromRow(value: (column: Column) => string): RowQuestion | Fault[] {
  const faults: Fault[] = [];
  const kind = KIND_OF.get(value('kind').toLowerCase());
  if (!kind) faults.push(['kind', 'kind-unknown']);
  if (value('question') === '') faults.push(['question', 'question-empty']);
  if (value('key') === '') faults.push(['key', 'key-empty']);
  const marks = value('marks') === '' ? exact('1') : parseExact(value('marks').replace(',', '.'));
  if (!marks || marks.compare(0) < 0 || marks.compare(1000) > 0) faults.push(['marks', 'marks-unreadable']);
  const difficulty = value('difficulty') === '' ? 1 : Number(value('difficulty'));
  if (![1, 2, 3].includes(difficulty)) faults.push(['difficulty', 'difficulty-unreadable']);
  const demand = DEMANDS.find((d) => d === (value('demand').toLowerCase() || 'know'));
  if (!demand) faults.push(['demand', 'demand-unknown']);
  if (!kind || !marks || !demand || faults.length > 0) return faults;

  const { placement, typed, fresh } = typedKind(kind);
  const node: Block =
    placement === 'block'
      ? { type: 'blockSlot', attrs: { id: 's1' } }
      : { type: 'paragraph', content: [{ type: 'inlineSlot', attrs: { id: 's1' } }] };
  const body: QuestionBody = {
    ...emptyQuestion,
    title: value('title').slice(0, 200),
    content: { type: 'doc', content: [...contentFromLines(value('question')).content, node] },
    slots: { s1: { kind, marks: stored(marks), setup: typed.withKey(fresh(), value('key')) } },
    explanation: contentFromLines(value('explanation')),
    notes: value('notes').slice(0, 5000),
  };
  const why = questionReadiness(body).find(isStop);
  if (why) return [['key', 'not-ready', { kind, why }]];
  return {
    body,
    facts: { difficulty, demand, tags: tidyTags(value('tags').split(/[,;]/)).slice(0, 30) },
    topic: value('topic'),
  };
}

/** A question as a row, in the order of the columns; null when it has several slots, a slot that cannot be typed, a picture or sound in the place of words, or values that vary, which a row cannot hold. */
export function rowFromQuestion({ body, facts, topic }: RowQuestion): string[] | null {
  const [placed, ...more] = placedSlots(body);
  const { typed, media } = placed ? kindOf(placed.slot.kind) : {};
  if (!placed || !typed || more.length > 0 || body.vary) return null;
  if ((media?.of(placed.slot.setup).length ?? 0) > 0) return null;
  const { setup, marks } = placed.slot;
  const words = body.content.content.flatMap((block): Block[] => {
    if (block.type === 'blockSlot') return [];
    if (block.type !== 'paragraph' || !block.content?.some((n) => n.type === 'inlineSlot')) return [block];
    const content = block.content.filter((n) => n.type !== 'inlineSlot');
    return content.length > 0 ? [{ type: 'paragraph', content }] : [];
  });
  const plain = words.every((block) => block.type === 'paragraph');
  const content = { type: 'doc' as const, content: words };
  const cells: Record<Column, string> = {
    kind: typed.name,
    question: (plain ? linesFromContent(content) : markdownFromContent(content)).trim(),
    key: typed.keyText(setup),
    marks,
    title: body.title,
    topic,
    difficulty: String(facts.difficulty),
    demand: facts.demand,
    tags: facts.tags.join(', '),
    explanation: linesFromContent(body.explanation).trim(),
    notes: body.notes,
  };
  return COLUMNS.map((column) => cells[column]);
}

/** A few rows that show how a spreadsheet is filled, under its heads. */
export const TEMPLATE_ROWS: string[][] = [
  [...COLUMNS],
  [
    'choice',
    'What turns the nacelle into the wind?',
    'brake\n* yaw drive\npitch drive',
    '1',
    '',
    'Drive train',
    '1',
    'know',
    'yaw',
    'The yaw drive turns the whole nacelle.',
    '',
  ],
  [
    'number',
    'A rotor sweeps 6362 m². The wind blows at 11 m/s. How much power is in it?',
    '5.19 MW',
    '2',
    '',
    'Energy in the wind',
    '2',
    'use',
    '',
    '$P = \\tfrac12 \\rho A v^3$',
    '',
  ],
  [
    'short text',
    'Name the limit that keeps a rotor from taking all of this power.',
    'Betz',
    '1',
    '',
    'Energy in the wind',
    '1',
    'know',
    '',
    '',
    '',
  ],
];
