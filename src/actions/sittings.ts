'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import type { Context } from '@/server/context';
import { setProvision } from '@/server/people/members';
import { letIn } from '@/server/people/passwords';
import { releaseResults, saveBoundaries, takeBackResults } from '@/server/results/results';
import { changeTimes, endSitting, giveBackLost, giveMoreTime, startNow } from '@/server/sittings/change-sitting';
import { sendNotice } from '@/server/sittings/notices';
import { text } from './sent';

const DESK = '/sittings/[id]';
const RESULTS = '/sittings/[id]/results';

/** Does something as whoever is signed in, and lets a page show what came of it. */
async function on<T>(page: string, act: (ctx: Context) => Promise<Result<T>>): Promise<Result<T>> {
  const result = await act(await staffContext());
  revalidatePath(page, 'page');
  return result;
}

export async function moreTimeAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => giveMoreTime(ctx, input));
}

export async function sendNoticeAction(input: unknown): Promise<Result<{ told: number }>> {
  return on(DESK, (ctx) => sendNotice(ctx, input));
}

export async function letInAction(student: string): Promise<Result<null>> {
  return on(DESK, (ctx) => letIn(ctx, text(student)));
}

export async function giveBackAction(sitting: string): Promise<Result<null>> {
  return on(DESK, (ctx) => giveBackLost(ctx, text(sitting)));
}

export async function provisionAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => setProvision(ctx, input));
}

export async function endAction(sitting: string): Promise<Result<null>> {
  return on(DESK, (ctx) => endSitting(ctx, text(sitting)));
}

export async function startNowAction(sitting: string): Promise<Result<null>> {
  return on(DESK, (ctx) => startNow(ctx, text(sitting)));
}

export async function changeTimesAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => changeTimes(ctx, input));
}

export async function saveBoundariesAction(input: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  return saveBoundaries(await staffContext(), input);
}

export async function releaseAction(input: unknown): Promise<Result<{ students: number }>> {
  return on(RESULTS, (ctx) => releaseResults(ctx, input));
}

export async function takeBackAction(sitting: string): Promise<Result<null>> {
  return on(RESULTS, (ctx) => takeBackResults(ctx, text(sitting)));
}
