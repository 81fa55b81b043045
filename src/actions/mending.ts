'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { takeIntoBank, takeOutOfBank } from '@/server/marking/into-bank';
import {
  applyMending,
  cancelMending,
  type MendingPreview,
  mendingProgress,
  previewMending,
  takeBackMending,
} from '@/server/marking/mend';
import { text } from './sent';

export async function previewMendingAction(input: unknown): Promise<Result<MendingPreview>> {
  return previewMending(await staffContext(), input);
}

export async function applyMendingAction(input: unknown): Promise<Result<{ mending: string }>> {
  return applyMending(await staffContext(), input);
}

export async function mendingProgressAction(id: string): Promise<Result<{ done: number; total: number } | null>> {
  return mendingProgress(await staffContext(), text(id));
}

export async function cancelMendingAction(id: string): Promise<Result<null>> {
  return cancelMending(await staffContext(), text(id));
}

export async function takeBackMendingAction(id: string): Promise<Result<null>> {
  const ctx = await staffContext();
  const result = await takeBackMending(ctx, text(id));
  // What it put into the bank for next time goes, too; where nothing was put there is nothing to take.
  if (result.ok) await takeOutOfBank(ctx, text(id));
  revalidatePath('/sittings/[id]/answers', 'page');
  return result;
}

export async function takeIntoBankAction(id: string): Promise<Result<{ question: string }>> {
  return takeIntoBank(await staffContext(), text(id));
}
