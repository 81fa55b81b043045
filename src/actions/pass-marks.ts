'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { finishJudging, saveEstimate } from '@/server/results/judge';
import { callPanel, nextRound, setPassMark } from '@/server/results/panels';
import { text } from './sent';

const PAGE = '/sittings/[id]/pass-mark';

export async function callPanelAction(input: unknown): Promise<Result<{ panel: string }>> {
  const result = await callPanel(await staffContext(), input);
  revalidatePath(PAGE, 'page');
  return result;
}

export async function nextRoundAction(panel: string): Promise<Result<{ round: number }>> {
  const result = await nextRound(await staffContext(), text(panel));
  revalidatePath(PAGE, 'page');
  return result;
}

export async function setPassMarkAction(input: unknown): Promise<Result<null>> {
  const result = await setPassMark(await staffContext(), input);
  revalidatePath(PAGE, 'page');
  return result;
}

export async function saveEstimateAction(input: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  return saveEstimate(await staffContext(), input);
}

export async function finishJudgingAction(panel: string): Promise<Result<null>> {
  const result = await finishJudging(await staffContext(), text(panel));
  revalidatePath('/judging/[panel]', 'page');
  return result;
}
