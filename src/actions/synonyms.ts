'use server';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { keepSynonyms } from '@/server/bank/synonyms';

export async function keepSynonymsAction(input: unknown): Promise<Result<string[][]>> {
  return keepSynonyms(await staffContext(), input);
}
