import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { listShelves, searchQuestions } from '@/server/bank/search';
import { listCourses } from '@/server/gradebook/gradebook';
import { BankDesk } from '@/ui/bank/BankDesk';

export const metadata: Metadata = { title: 'Bank' };

interface Props {
  searchParams: Promise<{ bank?: string; topic?: string }>;
}

export default async function BankPage({ searchParams }: Props) {
  const ctx = await staffContext();
  const shelves = await listShelves(ctx);
  const { bank, topic } = await searchParams;
  const shelf = shelves.find((s) => s.id === bank) ?? shelves.find((s) => s.share === 'department') ?? shelves[0];
  if (!shelf) redirect('/');
  const query = {
    bank: shelf.id,
    topic: topic ?? null,
    words: '',
    kind: null,
    difficulty: null,
    sort: 'newest' as const,
    from: 0,
  };
  const first = must(await searchQuestions(ctx, query));
  return (
    <BankDesk
      key={`${shelf.id} ${topic ?? ''}`}
      shelves={shelves}
      shelf={shelf}
      topic={topic ?? null}
      first={first}
      courses={must(await listCourses(ctx))}
    />
  );
}
