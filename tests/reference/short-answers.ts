import { readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { exact } from '@/core/base/exact';
import { readStored, type StoredForm } from '@/core/base/stored-form';
import type { KindName } from '@/core/kinds/names';
import { kindOf } from '@/core/kinds/registry';

const question = z.object({ id: z.string(), question: z.string() });
const row = z.object({
  id: z.string(),
  question: z.string(),
  answer: z.string(),
  mark: z.number(),
  max: z.number(),
  doubtful: z.boolean().default(false),
  tags: z.array(z.string()).default([]),
});

/** An answer with the mark of a careful person and that of the rules; null where a person is called. */
export interface MarkedAnswer extends z.infer<typeof row> {
  got: number | null;
  why: string;
}

/** The kind whose stored setup it is: a long answer has an example, short text has none. */
function slotOf(stored: unknown): { kind: KindName; setup: unknown } {
  const raw = stored as Record<string, unknown>;
  if (typeof raw.kind === 'string') return { kind: raw.kind as KindName, setup: raw.setup };
  return { kind: 'example' in raw ? 'longAnswer' : 'shortText', setup: raw };
}

/** Marks a class's answers (a folder with `questions.json` and `answers.jsonl`, or that second file) by rules: question id → stored setup of a slot. */
export function markClass(file: string, rulesFile: string): MarkedAnswer[] {
  const folder = statSync(file).isDirectory() ? file : path.dirname(file);
  const answers = statSync(file).isDirectory() ? path.join(file, 'answers.jsonl') : file;
  const { questions } = z
    .object({ questions: z.array(question) })
    .parse(JSON.parse(readFileSync(path.join(folder, 'questions.json'), 'utf8')));
  const asked = new Map(questions.map(({ id, question: text }) => [id, text]));
  const setups = new Map(
    Object.entries(JSON.parse(readFileSync(rulesFile, 'utf8')) as Record<string, unknown>).map(([id, stored]) => {
      const { kind: name, setup } = slotOf(stored);
      const kind = kindOf(name);
      return [id, { kind, setup: readStored(kind.setup as StoredForm<unknown>, setup) }];
    }),
  );
  return readFileSync(answers, 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const one = row.parse(JSON.parse(line));
      const slot = setups.get(one.question);
      if (!slot) throw new Error(`No rules for question ${one.question}`);
      if (one.answer.trim() === '') return { ...one, got: 0, why: 'blank' };
      const marking = slot.kind.marked?.mark(slot.setup, { text: one.answer }, asked.get(one.question));
      const why = marking?.trace.map(({ code }) => code).join(' ') ?? '';
      const got = marking?.state === 'marked' ? Number(marking.share.mul(exact(String(one.max))).valueOf()) : null;
      return { ...one, got, why };
    });
}

export interface ClassFigures {
  rows: number;
  /** Handed to people, of all. */
  human: number;
  /** Exactly the mark of a careful person, of those decided by machine. */
  exact: number;
  /** Of all. */
  wrongFull: number;
  wrongZero: number;
  /** Mean difference in marks, of those decided by machine. */
  mae: number;
}

const rounded = (n: number): number => Math.round(n * 10_000) / 10_000;
const same = (a: number, b: number): boolean => Math.abs(a - b) < 1e-9;

export function classFigures(rows: readonly MarkedAnswer[]): ClassFigures {
  const decided = rows.flatMap(({ got, ...one }) => (got === null ? [] : [{ ...one, got }]));
  const part = (list: readonly unknown[], of: readonly unknown[]): number =>
    rounded(list.length / Math.max(1, of.length));
  return {
    rows: rows.length,
    human: rounded(1 - decided.length / Math.max(1, rows.length)),
    exact: part(
      decided.filter(({ got, mark }) => same(got, mark)),
      decided,
    ),
    wrongFull: part(
      decided.filter(({ got, mark, max }) => same(got, max) && mark < max),
      rows,
    ),
    wrongZero: part(
      decided.filter(({ got, mark }) => same(got, 0) && mark > 0),
      rows,
    ),
    mae: rounded(decided.reduce((all, { got, mark }) => all + Math.abs(got - mark), 0) / Math.max(1, decided.length)),
  };
}

/** The figures by question, by tag, and of doubtful answers apart, a line each. */
export function classTable(rows: readonly MarkedAnswer[]): string[] {
  const line = (name: string, list: readonly MarkedAnswer[]): string => {
    const { rows: count, human, exact: right, wrongFull, wrongZero, mae } = classFigures(list);
    const percent = (n: number): string => `${(n * 100).toFixed(1)} %`.padStart(8);
    return `${name.padEnd(24)}${String(count).padStart(5)}  exact ${percent(right)}  human ${percent(human)}  wrong full ${percent(wrongFull)}  wrong zero ${percent(wrongZero)}  mean error ${mae.toFixed(2)}`;
  };
  const groups = (names: (one: MarkedAnswer) => readonly string[]): string[] =>
    [...new Set(rows.flatMap(names))].sort().map((name) =>
      line(
        name,
        rows.filter((one) => names(one).includes(name)),
      ),
    );
  return [
    ...groups((one) => [one.question]),
    ...groups((one) => one.tags.map((tag) => `tag ${tag}`)),
    ...groups((one) => [one.doubtful ? 'doubtful' : 'not doubtful']),
  ];
}
