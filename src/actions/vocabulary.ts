'use server';
import type { Result } from '@/core/base/result';
import type { WordList } from '@/core/rules/text/lists';
import type { Proposal } from '@/core/rules/text/proposals';
import { staffContext } from '@/server/auth/request';
import { proposeWordings } from '@/server/vocabulary/propose';
import { keepWordList, listWordLists, openWordList, type WordListRow } from '@/server/vocabulary/word-lists';

export async function proposeWordingsAction(input: unknown): Promise<Result<Proposal[]>> {
  return proposeWordings(await staffContext(), input);
}

export async function wordListsAction(): Promise<Result<WordListRow[]>> {
  return listWordLists(await staffContext());
}

export async function openWordListAction(name: unknown): Promise<Result<WordList[]>> {
  return openWordList(await staffContext(), name);
}

export async function keepWordListAction(list: unknown): Promise<Result<null>> {
  return keepWordList(await staffContext(), list);
}
