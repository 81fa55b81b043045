'use server';
import { revalidatePath } from 'next/cache';
import { ok, type Result } from '@/core/base/result';
import { questionSheet, type QuestionSheet } from '@/core/bank/sheet';
import { staffContext } from '@/server/auth/request';
import type { QuestionFacts, ReviewState } from '@/core/bank/facts';
import type { QuestionBody } from '@/core/bank/question';
import { type Alike, alikeTo, questionsLike } from '@/server/bank/alike';
import { arrangeTopics, type RemovedTopic, removeTopic, restoreTopic, saveBank, saveTopic } from '@/server/bank/banks';
import { type BulkAct, type ActOnMany, actOnMany, undoMany } from '@/server/bank/bulk';
import { saveGoals } from '@/server/bank/goals';
import { forgetSearch, type KeptSearch, keepSearch } from '@/server/bank/kept-searches';
import { listPassages, type PassageRow } from '@/server/bank/passages';
import { newId } from '@/server/ports/ids';
import { atBench } from '@/server/bank/presence';
import { reviewQuestion } from '@/server/bank/review';
import { type Goal, shelfForNew } from '@/server/bank/shelves';
import { FORBIDDEN } from '@/server/context';
import { createQuestion } from '@/server/bank/create-question';
import { type OpenQuestion, openQuestion, openRevision } from '@/server/bank/open-question';
import { leaveBench, saveDraft } from '@/server/bank/save-draft';
import { lifeOfQuestion, type QuestionLife } from '@/server/results/question-life';
import type { BankSearch } from '@/core/bank/searching';
import { type SearchResult, searchIds, searchQuestions } from '@/server/bank/search';
import { placeMany } from '@/server/exams/place-many';
import { giveNow } from '@/server/sittings/schedule';
import { type DrawnFormulas, drawSheetFormulas } from '@/ui/sheet/formulas';
import { number, text } from './sent';

export async function searchAction(query: unknown): Promise<Result<SearchResult>> {
  return searchQuestions(await staffContext(), query);
}

export async function searchIdsAction(query: unknown): Promise<Result<string[]>> {
  return searchIds(await staffContext(), query);
}

/** Puts questions behind those of an exam; a new exam when none is named. */
export async function placeManyAction(
  exam: string | null,
  questions: string[],
): Promise<Result<{ exam: string; title: string; placed: number }>> {
  return placeMany(await staffContext(), { exam, questions });
}

export async function restoreTopicAction(input: unknown): Promise<Result<null>> {
  const restored = await restoreTopic(await staffContext(), input);
  revalidatePath('/bank');
  return restored;
}

/** What the bank shows beside the list: the sheet, ready to answer, and the story of the question. */
export interface QuestionPeek {
  sheet: QuestionSheet;
  drawn: DrawnFormulas;
  usedIn: { id: string; title: string }[];
  history: { number: number; by: string; at: number }[];
  changed: boolean;
  facts: QuestionFacts;
}

export async function peekAction(id: string): Promise<Result<QuestionPeek>> {
  const opened = await openQuestion(await staffContext(), text(id));
  if (!opened.ok) return opened;
  const { body, usedIn, history, changed, facts } = opened.value;
  const sheet = questionSheet(body, 0);
  return { ok: true, value: { sheet, drawn: drawSheetFormulas(sheet), usedIn, history, changed, facts } };
}

export async function lifeAction(question: string): Promise<Result<QuestionLife>> {
  return lifeOfQuestion(await staffContext(), text(question));
}

export async function saveDraftAction(input: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  return saveDraft(await staffContext(), input);
}

export async function leaveBenchAction(question: string): Promise<Result<{ revision: number }>> {
  const left = await leaveBench(await staffContext(), text(question));
  revalidatePath('/bank');
  return left;
}

/** A copy of a question in the same bank, to change without touching the original. `body` is given when the bench holds a newer one. */
export async function copyAction(id: string, body?: unknown): Promise<Result<{ id: string }>> {
  const ctx = await staffContext();
  const opened = await openQuestion(ctx, text(id));
  if (!opened.ok) return opened;
  const { bank, facts } = opened.value;
  return createQuestion(ctx, { bank: bank.id, facts, body: body ?? opened.value.body });
}

/** Begins a question from an example, where new questions go. */
export async function startLikeAction(body: unknown): Promise<Result<{ id: string }>> {
  const ctx = await staffContext();
  const shelf = await shelfForNew(ctx);
  return shelf ? createQuestion(ctx, { bank: shelf.id, body }) : FORBIDDEN;
}

export async function giveNowAction(question: string, course: string): Promise<Result<{ id: string }>> {
  return giveNow(await staffContext(), text(question), text(course));
}

export async function actOnManyAction(questions: string[], act: BulkAct): Promise<Result<ActOnMany>> {
  const done = await actOnMany(await staffContext(), { questions, act });
  revalidatePath('/bank');
  return done;
}

export async function undoManyAction(id: string): Promise<Result<{ count: number }>> {
  const undone = await undoMany(await staffContext(), text(id));
  revalidatePath('/bank');
  return undone;
}

export async function alikeAction(question: string): Promise<Result<Alike[]>> {
  return ok(await alikeTo(await staffContext(), text(question)));
}

/** Near-duplicates of a text that is being written. */
export async function nearDuplicatesAction(written: string, question: string): Promise<Result<Alike[]>> {
  const like = { text: text(written).slice(0, 20_000), except: text(question), least: 0.6, most: 3 };
  return ok(await questionsLike(await staffContext(), like));
}

export async function keepSearchAction(name: string, search: BankSearch): Promise<Result<KeptSearch[]>> {
  return keepSearch(await staffContext(), { name, search });
}

export async function forgetSearchAction(id: string): Promise<Result<KeptSearch[]>> {
  return forgetSearch(await staffContext(), text(id));
}

export async function saveBankAction(input: unknown): Promise<Result<{ id: string }>> {
  const saved = await saveBank(await staffContext(), input);
  revalidatePath('/bank');
  return saved;
}

export async function saveTopicAction(input: unknown): Promise<Result<{ id: string }>> {
  const saved = await saveTopic(await staffContext(), input);
  revalidatePath('/bank');
  return saved;
}

export async function arrangeTopicsAction(input: unknown): Promise<Result<null>> {
  const arranged = await arrangeTopics(await staffContext(), input);
  revalidatePath('/bank');
  return arranged;
}

export async function removeTopicAction(input: unknown): Promise<Result<RemovedTopic>> {
  const removed = await removeTopic(await staffContext(), input);
  revalidatePath('/bank');
  return removed;
}

export async function saveGoalsAction(goals: { code: string; words: string }[]): Promise<Result<Goal[]>> {
  const saved = await saveGoals(await staffContext(), { goals });
  revalidatePath('/bank');
  return saved;
}

export async function reviewAction(input: unknown): Promise<Result<{ review: ReviewState }>> {
  const reviewed = await reviewQuestion(await staffContext(), input);
  revalidatePath('/bank');
  return reviewed;
}

/** A revision, drawn, with the body to go back to. */
export async function revisionAction(question: string, revision: number): Promise<Result<QuestionBody>> {
  return openRevision(await staffContext(), text(question), number(revision));
}

/** The question as it now stands on the server: what somebody else saved. */
export async function theirsAction(id: string): Promise<Result<OpenQuestion>> {
  return openQuestion(await staffContext(), text(id));
}

/** Says that this person is at the bench of a question; tells who else is. */
export async function atBenchAction(question: string): Promise<Result<string[]>> {
  return ok(await atBench(await staffContext(), text(question)));
}

export async function listPassagesAction(bank: string): Promise<Result<PassageRow[]>> {
  return listPassages(await staffContext(), text(bank));
}

/** The id of a passage that is about to be written; it is kept with the question's next save. */
export async function newPassageAction(): Promise<Result<string>> {
  await staffContext();
  return ok(newId());
}
