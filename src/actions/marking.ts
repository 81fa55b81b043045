'use server';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { giveMark } from '@/server/marking/desk';

export async function giveMarkAction(input: unknown): Promise<Result<{ marks: string }>> {
  return giveMark(await staffContext(), input);
}
