'use server';
import { redirect } from 'next/navigation';
import type { Refusal } from '@/core/base/result';
import { studentContext } from '@/server/auth/request';
import { enterSitting } from '@/server/sittings/enter';

export async function enterAction(_: Refusal | null, form: FormData): Promise<Refusal | null> {
  const entered = await enterSitting(await studentContext(), String(form.get('sitting')));
  if (!entered.ok) return entered.refusal;
  redirect(`/room/${entered.value.attempt}`);
}
