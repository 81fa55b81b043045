'use server';
import { staffContext } from '@/server/auth/request';
import { find, type Hit } from '@/server/today/find';

export async function findAction(words: string): Promise<Hit[]> {
  return find(await staffContext(), String(words));
}
