'use server';
import { redirect } from 'next/navigation';
import type { Refusal } from '@/core/base/result';
import { dropSession, keepSession } from '@/server/auth/request';
import { signIn, signOut } from '@/server/auth/sessions';
import { outside } from '@/server/outside';

export interface SignInState {
  refusal: Refusal | null;
  userName: string;
}

export async function signInAction(_: SignInState, form: FormData): Promise<SignInState> {
  const userName = String(form.get('userName') ?? '');
  const result = await signIn(await outside(), userName, String(form.get('password') ?? ''));
  if (!result.ok) return { refusal: result.refusal, userName };
  await keepSession(result.value.token);
  redirect(result.value.member.role === 'student' ? '/my' : '/');
}

export async function signOutAction(): Promise<void> {
  const token = await dropSession();
  if (token) await signOut(await outside(), token);
  redirect('/sign-in');
}
