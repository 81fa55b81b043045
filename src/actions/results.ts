'use server';
import { revalidatePath } from 'next/cache';
import { ok, type Result } from '@/core/base/result';
import { staffContext, studentContext } from '@/server/auth/request';
import { boundariesElsewhere, dropBoundarySet, keepBoundarySet, type TakenFrom } from '@/server/results/boundary-sets';
import { setCertificate } from '@/server/results/certificates';
import { answerMarkQuestion, askAboutMark } from '@/server/results/mark-questions';
import { text } from './sent';

export async function boundariesElsewhereAction(sitting: string): Promise<Result<TakenFrom>> {
  return ok(await boundariesElsewhere(await staffContext(), text(sitting)));
}

export async function keepBoundarySetAction(input: unknown): Promise<Result<{ id: string }>> {
  return keepBoundarySet(await staffContext(), input);
}

export async function dropBoundarySetAction(id: string): Promise<Result<null>> {
  return dropBoundarySet(await staffContext(), text(id));
}

export async function setCertificateAction(input: unknown): Promise<Result<null>> {
  const result = await setCertificate(await staffContext(), input);
  revalidatePath('/sittings/[id]/results', 'page');
  return result;
}

export async function askAboutMarkAction(attempt: string, item: string, words: string): Promise<Result<null>> {
  const result = await askAboutMark(await studentContext(), {
    attempt: text(attempt),
    item: text(item),
    words: text(words),
  });
  revalidatePath('/my/[attempt]', 'page');
  return result;
}

export async function answerMarkQuestionAction(id: string, words: string): Promise<Result<null>> {
  const result = await answerMarkQuestion(await staffContext(), { id: text(id), words: text(words) });
  revalidatePath('/results/[attempt]', 'page');
  return result;
}
