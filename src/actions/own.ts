'use server';
import { ok, type Result } from '@/core/base/result';
import { studentContext } from '@/server/auth/request';
import { enterSitting } from '@/server/sittings/enter';

/** Begins, or finds what was begun; gives the address of the room. */
export async function enterAction(_: Result<string> | null, form: FormData): Promise<Result<string>> {
  const entered = await enterSitting(await studentContext(), String(form.get('sitting')));
  return entered.ok ? ok(`/room/${entered.value.attempt}`) : entered;
}
