'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { takeIntoBank } from '@/server/marking/into-bank';
import {
  applyMending,
  cancelMending,
  type MendingPreview,
  mendingProgress,
  previewMending,
  takeBackMending,
} from '@/server/marking/mend';

export async function previewMendingAction(input: unknown): Promise<Result<MendingPreview>> {
  return previewMending(await staffContext(), input);
}

export async function applyMendingAction(input: unknown): Promise<Result<{ mending: string }>> {
  return applyMending(await staffContext(), input);
}

export async function mendingProgressAction(id: string): Promise<Result<{ done: number; total: number } | null>> {
  return mendingProgress(await staffContext(), id);
}

export async function cancelMendingAction(id: string): Promise<Result<null>> {
  return cancelMending(await staffContext(), id);
}

export async function takeBackMendingAction(id: string): Promise<Result<null>> {
  const result = await takeBackMending(await staffContext(), id);
  revalidatePath('/sittings/[id]/answers', 'page');
  return result;
}

export async function takeIntoBankAction(id: string): Promise<Result<{ question: string }>> {
  return takeIntoBank(await staffContext(), id);
}
