'use server';
import { redirect } from 'next/navigation';
import { type Refusal, type Result, refuse } from '@/core/base/result';
import { dropSession, keepSession, maybeContext, requestSource, sessionToken } from '@/server/auth/request';
import { homeOf, signIn, signOut } from '@/server/auth/sessions';
import { changeOwnPassword } from '@/server/people/passwords';
import { outside } from '@/server/outside';

export interface SignInState {
  refusal: Refusal | null;
  userName: string;
}

export async function signInAction(_: SignInState, form: FormData): Promise<SignInState> {
  const userName = String(form.get('userName') ?? '');
  const password = String(form.get('password') ?? '');
  const result = await signIn(await outside(), { userName, password, source: await requestSource() });
  if (!result.ok) return { refusal: result.refusal, userName };
  await keepSession(result.value.token);
  redirect(homeOf(result.value.member));
}

export async function changePasswordAction(input: { current: string; wanted: string }): Promise<Result<null>> {
  const ctx = await maybeContext();
  if (!ctx) return refuse('not-signed-in');
  return changeOwnPassword(ctx, { ...input, token: await sessionToken(), source: await requestSource() });
}

export async function signOutAction(): Promise<never> {
  const token = await dropSession();
  if (token) await signOut(await outside(), token);
  redirect('/sign-in');
}
