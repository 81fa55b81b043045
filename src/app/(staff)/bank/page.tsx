import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { listKeptSearches } from '@/server/bank/kept-searches';
import { searchQuestions } from '@/server/bank/search';
import { listGoals, listShelves, listTags } from '@/server/bank/shelves';
import { listExams } from '@/server/exams/exams';
import { coursesFor } from '@/server/people/courses';
import { listColleagues } from '@/server/people/members';
import { BankDesk } from '@/ui/bank/BankDesk';
import { NO_FILTERS } from '@/ui/bank/sentence';

export const metadata: Metadata = { title: 'Bank' };

interface Props {
  searchParams: Promise<{ bank?: string; topic?: string; kept?: string }>;
}

export default async function BankPage({ searchParams }: Props) {
  const ctx = await staffContext();
  const asked = await searchParams;
  const [shelves, kept] = await Promise.all([listShelves(ctx), listKeptSearches(ctx)]);
  const search = kept.find((k) => k.id === asked.kept)?.search ?? {
    ...NO_FILTERS,
    bank: asked.bank ?? null,
    topic: asked.topic ?? null,
  };
  const everywhere = asked.bank === 'all' || (asked.kept !== undefined && search.bank === null);
  const shelf =
    shelves.find((s) => s.id === search.bank) ?? shelves.find((s) => s.share === 'department') ?? shelves[0];
  if (!shelf) redirect('/');
  const bank = everywhere ? null : shelf.id;
  const { bank: _, topic, ...filters } = search;
  const first = must(await searchQuestions(ctx, { ...search, bank, from: 0 }));
  return (
    <BankDesk
      key={`${bank ?? 'all'} ${topic ?? ''} ${asked.kept ?? ''}`}
      shelves={shelves}
      shelf={shelf}
      bank={bank}
      topic={topic}
      filters={filters}
      first={first}
      courses={await coursesFor(ctx, 'run sittings')}
      tags={await listTags(ctx)}
      goals={await listGoals(ctx)}
      colleagues={await listColleagues(ctx)}
      kept={kept}
      fromKept={asked.kept !== undefined}
      exams={must(await listExams(ctx))}
    />
  );
}
