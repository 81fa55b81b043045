'use server';
import { staffContext } from '@/server/auth/request';
import { find, type Hit } from '@/server/today/find';
import { text } from './sent';

export async function findAction(words: string): Promise<Hit[]> {
  return find(await staffContext(), text(words));
}
