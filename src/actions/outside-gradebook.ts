'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { compareOutside, type Comparison } from '@/server/platforms/compare';
import { connectOutsideBook, disconnectOutsideBook } from '@/server/platforms/connect';
import { nameOutside } from '@/server/platforms/outside-people';
import { dropPlatform, keepPlatform, tryPlatform } from '@/server/platforms/platforms';
import { tellOutside } from '@/server/platforms/tell';
import { text } from './sent';

const PAGE = '/gradebook/[course]/outside';

export async function keepPlatformAction(input: unknown): Promise<Result<{ id: string }>> {
  const result = await keepPlatform(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function dropPlatformAction(id: string): Promise<Result<null>> {
  const result = await dropPlatform(await staffContext(), id);
  revalidatePath('/department');
  return result;
}

export async function tryPlatformAction(id: string): Promise<Result<null>> {
  return tryPlatform(await staffContext(), id);
}

export async function connectOutsideAction(input: unknown): Promise<Result<null>> {
  const result = await connectOutsideBook(await staffContext(), input);
  revalidatePath(PAGE, 'page');
  return result;
}

export async function disconnectOutsideAction(course: string): Promise<Result<null>> {
  const result = await disconnectOutsideBook(await staffContext(), text(course));
  revalidatePath(PAGE, 'page');
  return result;
}

export async function nameOutsideAction(input: unknown): Promise<Result<null>> {
  const result = await nameOutside(await staffContext(), input);
  revalidatePath(PAGE, 'page');
  return result;
}

export async function tellOutsideAction(input: unknown): Promise<Result<{ scores: number }>> {
  const result = await tellOutside(await staffContext(), input);
  revalidatePath(PAGE, 'page');
  return result;
}

export async function compareOutsideAction(course: string): Promise<Result<Comparison>> {
  return compareOutside(await staffContext(), text(course));
}
