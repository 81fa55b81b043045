'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { setProvision } from '@/server/people/members';
import { letIn } from '@/server/people/passwords';
import { releaseResults, saveBoundaries, takeBackResults } from '@/server/results/results';
import { changeTimes, endSitting, giveBackLost, giveMoreTime, startNow } from '@/server/sittings/change-sitting';

export async function moreTimeAction(input: unknown): Promise<Result<null>> {
  const result = await giveMoreTime(await staffContext(), input);
  revalidatePath('/sittings/[id]', 'page');
  return result;
}

export async function letInAction(student: string): Promise<Result<null>> {
  const result = await letIn(await staffContext(), student);
  revalidatePath('/sittings/[id]', 'page');
  return result;
}

export async function giveBackAction(sitting: string): Promise<Result<null>> {
  const result = await giveBackLost(await staffContext(), sitting);
  revalidatePath('/sittings/[id]', 'page');
  return result;
}

export async function provisionAction(input: unknown): Promise<Result<null>> {
  const result = await setProvision(await staffContext(), input);
  revalidatePath('/sittings/[id]', 'page');
  return result;
}

export async function endAction(sitting: string): Promise<Result<null>> {
  const result = await endSitting(await staffContext(), sitting);
  revalidatePath('/sittings/[id]', 'page');
  return result;
}

export async function startNowAction(sitting: string): Promise<Result<null>> {
  const result = await startNow(await staffContext(), sitting);
  revalidatePath('/sittings/[id]', 'page');
  return result;
}

export async function changeTimesAction(input: unknown): Promise<Result<null>> {
  const result = await changeTimes(await staffContext(), input);
  revalidatePath('/sittings/[id]', 'page');
  return result;
}

export async function saveBoundariesAction(input: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  return saveBoundaries(await staffContext(), input);
}

export async function releaseAction(input: unknown): Promise<Result<{ students: number }>> {
  const result = await releaseResults(await staffContext(), input);
  revalidatePath('/sittings/[id]/results', 'page');
  return result;
}

export async function takeBackAction(sitting: string): Promise<Result<null>> {
  const result = await takeBackResults(await staffContext(), sitting);
  revalidatePath('/sittings/[id]/results', 'page');
  return result;
}
