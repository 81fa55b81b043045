'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { cellHistory, putCells } from '@/server/gradebook/entries';
import type { CellEntry } from '@/server/gradebook/gradebook';
import { openAgain, saveBook, signOff } from '@/server/gradebook/settings';
import { text } from './sent';

const BOOK = '/gradebook/[course]';

export async function putCellsAction(input: unknown): Promise<Result<{ entries: number[] }>> {
  return putCells(await staffContext(), input);
}

export async function cellHistoryAction(input: unknown): Promise<Result<CellEntry[]>> {
  return cellHistory(await staffContext(), input);
}

export async function saveBookAction(input: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  return saveBook(await staffContext(), input);
}

export async function signOffAction(course: string): Promise<Result<{ students: number }>> {
  const result = await signOff(await staffContext(), text(course));
  revalidatePath(BOOK, 'page');
  return result;
}

export async function openAgainAction(course: string): Promise<Result<null>> {
  const result = await openAgain(await staffContext(), text(course));
  revalidatePath(BOOK, 'page');
  return result;
}
