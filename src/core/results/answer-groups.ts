import type { Slot } from '../bank/question';
import { kindOf } from '../kinds/registry';
import { readResponse } from '../kinds/response';
import type { TraceStep } from '../rules/marking';

/** One answer as it was given, with the mark that counts for it. */
export interface GivenAnswer {
  response: unknown;
  marks: string | null;
  byPerson: boolean;
  trace: readonly TraceStep[];
}

/** Answers that come to the same, however they were written. */
export interface AnswerGroup {
  /** As it was written most often, in plain words; empty for no answer. */
  answer: string;
  /** The response that stands for all of them. */
  response: unknown;
  count: number;
  /** Other ways in which it was written. */
  writings: string[];
  /** The marks that they have, each once; null for waiting. */
  marks: (string | null)[];
  byPerson: number;
  /** How the first of them came to its mark. */
  trace: readonly TraceStep[];
}

/** Comparing every pair takes long where there are many; beyond so many comparisons the gist alone decides. */
const MOST_COMPARISONS = 800;

/** The distinct answers to a slot, the most frequent first, those without an answer last. */
export function groupAnswers(slot: Slot, given: readonly GivenAnswer[]): AnswerGroup[] {
  const kind = kindOf(slot.kind);
  const byGist = new Map<string, { answers: GivenAnswer[]; blank: boolean }>();
  for (const one of given) {
    const read = readResponse(kind, one.response);
    const blank = !read || kind.blank(read.response);
    const gist = blank ? '' : kind.gist(slot.setup, read.response);
    const group = byGist.get(gist) ?? { answers: [], blank };
    group.answers.push(read ? { ...one, response: read.response } : one);
    byGist.set(gist, group);
  }
  const sorted = [...byGist.values()].sort((a, b) => b.answers.length - a.answers.length);
  const groups: { answers: GivenAnswer[]; blank: boolean }[] = [];
  let comparisons = 0;
  for (const group of sorted) {
    const of = group.answers[0]?.response;
    const same = (other: (typeof groups)[number]): boolean => {
      comparisons += 1;
      return (
        !other.blank &&
        comparisons <= MOST_COMPARISONS &&
        (kind.same?.(slot.setup, other.answers[0]?.response, of) ?? false)
      );
    };
    const found = kind.same && !group.blank ? groups.find(same) : undefined;
    if (found) found.answers.push(...group.answers);
    else groups.push({ ...group, answers: [...group.answers] });
  }
  const described = (one: GivenAnswer): string => kind.describeResponse(slot.setup, one.response).trim();
  return groups
    .map(({ answers, blank }): AnswerGroup => {
      const writings = new Map<string, number>();
      if (!blank) for (const one of answers) writings.set(described(one), (writings.get(described(one)) ?? 0) + 1);
      const [answer = '', ...others] = [...writings].sort((a, b) => b[1] - a[1]).map(([text]) => text);
      return {
        answer,
        response: answers.find((one) => blank || described(one) === answer)?.response ?? null,
        count: answers.length,
        writings: others,
        marks: [...new Set(answers.map((one) => one.marks))],
        byPerson: answers.filter((one) => one.byPerson).length,
        trace: answers[0]?.trace ?? [],
      };
    })
    .sort((a, b) => Number(a.answer === '') - Number(b.answer === '') || b.count - a.count);
}
