'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { setStaff } from '@/server/people/courses';
import { setProvision } from '@/server/people/members';
import { resetPassword } from '@/server/people/passwords';
import { setPolicy } from '@/server/people/policy';

export async function resetPasswordAction(input: unknown): Promise<Result<null>> {
  return resetPassword(await staffContext(), input);
}

export async function setStaffAction(input: unknown): Promise<Result<null>> {
  const result = await setStaff(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function setPolicyAction(input: unknown): Promise<Result<null>> {
  const result = await setPolicy(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function setExtraTimeAction(input: unknown): Promise<Result<null>> {
  const result = await setProvision(await staffContext(), input);
  revalidatePath('/department');
  return result;
}
