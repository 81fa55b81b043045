import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { createQuestion } from '@/server/bank/create-question';
import { shelfForNew } from '@/server/bank/shelves';

interface Props {
  searchParams: Promise<{ bank?: string; topic?: string }>;
}

/** Begins a new question and opens it on the bench; an address followed from elsewhere begins nothing. */
export default async function NewQuestionPage({ searchParams }: Props) {
  const ctx = await staffContext();
  if (['cross-site', 'same-site'].includes((await headers()).get('sec-fetch-site') ?? '')) redirect('/bank');
  const { bank, topic } = await searchParams;
  const shelf = await shelfForNew(ctx, bank);
  if (!shelf) redirect('/');
  const known = shelf.topics.some((t) => t.id === topic);
  const created = must(await createQuestion(ctx, { bank: shelf.id, facts: { topic: known && topic ? topic : null } }));
  redirect(`/bank/${created.id}`);
}
