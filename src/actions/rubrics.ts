'use server';
import { redirect } from 'next/navigation';
import { ok, type Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { type KeptRubric, keepRubric, listRubrics, removeRubric, saveRubric } from '@/server/bank/rubrics';
import { text } from './sent';

export async function listRubricsAction(): Promise<Result<KeptRubric[]>> {
  return ok(await listRubrics(await staffContext()));
}

export async function keepRubricAction(input: unknown): Promise<Result<{ id: string }>> {
  return keepRubric(await staffContext(), input);
}

export async function saveRubricAction(input: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  return saveRubric(await staffContext(), input);
}

export async function removeRubricAction(id: string): Promise<Result<null>> {
  const result = await removeRubric(await staffContext(), text(id));
  if (result.ok) redirect('/bank/rubrics');
  return result;
}
