'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { questionSheet, type QuestionSheet } from '@/core/bank/sheet';
import { staffContext } from '@/server/auth/request';
import { createQuestion } from '@/server/bank/create-question';
import { openQuestion } from '@/server/bank/open-question';
import { leaveBench, saveDraft } from '@/server/bank/save-draft';
import { type FoundQuestion, searchQuestions } from '@/server/bank/search';
import { giveNow } from '@/server/sittings/schedule';
import { type DrawnFormulas, drawSheetFormulas } from '@/ui/sheet/formulas';

export async function searchAction(query: unknown): Promise<Result<{ total: number; found: FoundQuestion[] }>> {
  return searchQuestions(await staffContext(), query);
}

/** What the bank shows beside the list: the sheet, ready to answer, and the story of the question. */
export interface QuestionPeek {
  sheet: QuestionSheet;
  drawn: DrawnFormulas;
  usedIn: { id: string; title: string }[];
  history: { number: number; by: string; at: number }[];
  changed: boolean;
}

export async function peekAction(id: string): Promise<Result<QuestionPeek>> {
  const opened = await openQuestion(await staffContext(), id);
  if (!opened.ok) return opened;
  const { body, usedIn, history, changed } = opened.value;
  const sheet = questionSheet(body, 0);
  return { ok: true, value: { sheet, drawn: drawSheetFormulas(sheet), usedIn, history, changed } };
}

export async function saveDraftAction(input: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  return saveDraft(await staffContext(), input);
}

export async function leaveBenchAction(question: string): Promise<Result<{ revision: number }>> {
  const left = await leaveBench(await staffContext(), question);
  revalidatePath('/bank');
  return left;
}

/** A copy of a question in the same bank, to change without touching the original. `body` is given when the bench holds a newer one. */
export async function copyAction(id: string, body?: unknown): Promise<Result<{ id: string }>> {
  const ctx = await staffContext();
  const opened = await openQuestion(ctx, id);
  if (!opened.ok) return opened;
  const { bank, topic, difficulty, demand } = opened.value;
  return createQuestion(ctx, { bank: bank.id, topic, difficulty, demand, body: body ?? opened.value.body });
}

export async function giveNowAction(question: string, course: string): Promise<Result<{ id: string }>> {
  return giveNow(await staffContext(), question, course);
}
