'use server';
import { ok, type Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { find, type Hit } from '@/server/today/find';
import { text } from './sent';

export async function findAction(words: string): Promise<Result<Hit[]>> {
  return ok(await find(await staffContext(), text(words)));
}
