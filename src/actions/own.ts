'use server';
import { revalidatePath } from 'next/cache';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { ok, type Result, refuse } from '@/core/base/result';
import { keepSession, requestSource, studentContext, writerContext } from '@/server/auth/request';
import { GUEST_SESSION_LENGTH } from '@/server/auth/sessions';
import { outside } from '@/server/outside';
import { joinGroup, leaveGroup } from '@/server/people/own-groups';
import { admitGuest } from '@/server/people/participants';
import { enterSitting } from '@/server/sittings/enter';
import { judgeOwnWork } from '@/server/sittings/judge-afterwards';

const field = (form: FormData, name: string): string => String(form.get(name) ?? '');

/** The address of a room. Whoever was quicker than the page, whose browser has sent the form itself, is sent there at once. */
async function toRoom(attempt: string): Promise<Result<string>> {
  const address = `/room/${attempt}`;
  if (!(await headers()).has('next-action')) redirect(address);
  return ok(address);
}

/** Begins, or finds what was begun; gives the address of the room. */
export async function enterAction(_: Result<string> | null, form: FormData): Promise<Result<string>> {
  const entered = await enterSitting(await writerContext(), field(form, 'sitting'), {
    code: field(form, 'code'),
    number: Number(field(form, 'number')) || 1,
  });
  return entered.ok ? toRoom(entered.value.attempt) : entered;
}

/** Lets somebody without an account in, and begins. */
export async function enterAsGuestAction(_: Result<string> | null, form: FormData): Promise<Result<string>> {
  const sitting = field(form, 'sitting');
  const name = field(form, 'name');
  if (name.trim() === '') return refuse('name-asked', { at: ['name'] });
  const out = await outside();
  const source = await requestSource();
  const admitted = await admitGuest(out, sitting, {
    name,
    said: form.getAll('said').map(String),
    code: field(form, 'code'),
    source,
  });
  if (!admitted.ok) return admitted;
  await keepSession(admitted.value.token, GUEST_SESSION_LENGTH);
  const entered = await enterSitting({ ...out, actor: admitted.value.guest }, sitting);
  return entered.ok ? toRoom(entered.value.attempt) : entered;
}

/** Joins a group of one's course, or begins one. */
export async function joinGroupAction(input: unknown): Promise<Result<null>> {
  const result = await joinGroup(await studentContext(), input);
  revalidatePath('/my');
  return result;
}

export async function leaveGroupAction(input: unknown): Promise<Result<null>> {
  const result = await leaveGroup(await studentContext(), input);
  revalidatePath('/my');
  return result;
}

/** Keeps what a student found of their own work. */
export async function judgeOwnWorkAction(input: unknown): Promise<Result<{ savedAt: number }>> {
  return judgeOwnWork(await studentContext(), input);
}
