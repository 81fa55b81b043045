'use server';
import { ok, type Result } from '@/core/base/result';
import { keepSession, requestSource } from '@/server/auth/request';
import { signIn } from '@/server/auth/sessions';
import { outside } from '@/server/outside';
import { setUpDepartment } from '@/server/people/set-up';
import { wordOfServer } from '@/server/people/set-up-here';
import { text } from './sent';

/** Sets up the department, and signs its lead in. */
export async function setUpAction(input: { password: string } & Record<string, string>): Promise<Result<null>> {
  const out = await outside();
  const source = await requestSource();
  const done = await setUpDepartment(out, wordOfServer(), { ...input, source });
  if (!done.ok) return done;
  const come = await signIn(out, { ...done.value, password: text(input.password), source });
  // Otherwise the next page leads to the door.
  if (come.ok) await keepSession(come.value.token);
  return ok();
}
