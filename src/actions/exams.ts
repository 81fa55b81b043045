'use server';
import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import type { Lot } from '@/core/exams/lot';
import { copyExam, createExam, revisionToPlace, savePlan } from '@/server/exams/exams';
import { openSealed, removeSealed } from '@/server/exchange/sealed-files';
import { keepExam } from '@/server/exams/keep-exam';
import { examView, type ExamView } from '@/server/exams/exam-view';
import { setBlueprint } from '@/server/people/policy';
import { type SamplePaper, samplePapers, trialPaper, type TrialPaper } from '@/server/exams/trial-papers';
import { scheduleSitting } from '@/server/sittings/schedule';
import { number, text, texts } from './sent';

const sentLot = (sent: unknown): Lot => {
  const { seed, without } = Object(sent) as Record<string, unknown>;
  return { seed: number(seed), without: texts(without) };
};

export async function createExamAction(form: FormData): Promise<void> {
  const title = String(form.get('title') ?? '').trim() || 'New exam';
  const course = String(form.get('course') ?? '') || null;
  const created = await createExam(await staffContext(), { title: title.slice(0, 200), course });
  redirect(created.ok ? `/exams/${created.value.id}` : '/');
}

export async function copyExamAction(exam: string): Promise<Result<{ id: string }>> {
  return copyExam(await staffContext(), text(exam));
}

export async function keepExamAction(input: unknown): Promise<Result<null>> {
  const result = await keepExam(await staffContext(), input);
  revalidatePath('/exams', 'layout');
  return result;
}

export async function savePlanAction(input: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  return savePlan(await staffContext(), input);
}

export async function placeAction(question: string): Promise<Result<{ revision: number }>> {
  return revisionToPlace(await staffContext(), text(question));
}

export async function examViewAction(input: unknown): Promise<Result<ExamView>> {
  return examView(await staffContext(), input);
}

export async function trialPaperAction(input: unknown, lot: Lot): Promise<Result<TrialPaper>> {
  return trialPaper(await staffContext(), input, sentLot(lot));
}

export async function agreeBlueprintAction(rows: unknown): Promise<Result<null>> {
  const result = await setBlueprint(await staffContext(), rows);
  revalidatePath('/exams/[id]', 'page');
  return result;
}

/** Six papers are enough to see whether they are alike. */
export async function samplePapersAction(input: unknown, without: readonly string[]): Promise<Result<SamplePaper[]>> {
  return samplePapers(await staffContext(), input, 6, texts(without));
}

export async function scheduleAction(input: unknown): Promise<Result<{ id: string }>> {
  const result = await scheduleSitting(await staffContext(), input);
  revalidatePath('/sittings');
  return result;
}

export async function openSealedAction(input: unknown): Promise<Result<{ address: string }>> {
  const result = await openSealed(await staffContext(), input);
  revalidatePath('/exams/files');
  return result;
}

export async function removeSealedAction(id: string): Promise<Result<null>> {
  const result = await removeSealed(await staffContext(), text(id));
  revalidatePath('/exams/files');
  return result;
}
