'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import type { StoryStep } from '@/core/sittings/story';
import { staffContext } from '@/server/auth/request';
import type { Context } from '@/server/context';
import { setExtraTimeHere } from '@/server/people/provisions';
import { letIn } from '@/server/people/passwords';
import { releaseResults, takeBackResults } from '@/server/results/release';
import { saveBoundaries } from '@/server/results/results';
import { setMemberMarks } from '@/server/results/member-marks';
import { changeTimes, endSitting, giveBackLost, giveMoreTime, startNow } from '@/server/sittings/change-sitting';
import { wouldFind, type WouldFind } from '@/server/sittings/enter';
import { letBackIn } from '@/server/sittings/let-back-in';
import { sendNotice } from '@/server/sittings/notices';
import { goOn, pauseTime } from '@/server/sittings/pause';
import { bringBack, setAside } from '@/server/sittings/set-aside';
import { type Helper, helpersOf, setHelper } from '@/server/sittings/sitting-staff';
import { storyOf } from '@/server/sittings/story';
import { text } from './sent';

const DESK = '/sittings/[id]';
const RESULTS = '/sittings/[id]/results';

/** Does something as whoever is signed in, and lets a page show what came of it. */
async function on<T>(page: string, act: (ctx: Context) => Promise<Result<T>>): Promise<Result<T>> {
  const result = await act(await staffContext());
  revalidatePath(page, 'page');
  return result;
}

export async function moreTimeAction(input: unknown): Promise<Result<{ given: number }>> {
  return on(DESK, (ctx) => giveMoreTime(ctx, input));
}

export async function sendNoticeAction(input: unknown): Promise<Result<{ told: number }>> {
  return on(DESK, (ctx) => sendNotice(ctx, input));
}

export async function pauseAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => pauseTime(ctx, input));
}

export async function goOnAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => goOn(ctx, input));
}

export async function letBackInAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => letBackIn(ctx, input));
}

export async function setAsideAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => setAside(ctx, input));
}

export async function bringBackAction(attempt: string): Promise<Result<null>> {
  return on(DESK, (ctx) => bringBack(ctx, text(attempt)));
}

/** Whether one student can get in now, and why not. */
export async function wouldFindAction(sitting: string, student: string): Promise<Result<WouldFind>> {
  return wouldFind(await staffContext(), text(sitting), text(student));
}

/** What happened to an attempt; asked when somebody wants to read it. */
export async function storyAction(attempt: string): Promise<Result<StoryStep[]>> {
  return storyOf(await staffContext(), text(attempt));
}

export async function letInAction(student: string): Promise<Result<null>> {
  return on(DESK, (ctx) => letIn(ctx, text(student)));
}

export async function giveBackAction(sitting: string): Promise<Result<null>> {
  return on(DESK, (ctx) => giveBackLost(ctx, text(sitting)));
}

export async function extraTimeHereAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => setExtraTimeHere(ctx, input));
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

export async function helpersAction(sitting: string): Promise<Result<{ helpers: Helper[]; able: Helper[] }>> {
  return helpersOf(await staffContext(), text(sitting));
}

export async function setHelperAction(input: unknown): Promise<Result<null>> {
  return on(DESK, (ctx) => setHelper(ctx, input));
}

export async function memberMarksAction(input: unknown): Promise<Result<null>> {
  return on('/results/[attempt]', (ctx) => setMemberMarks(ctx, input));
}
