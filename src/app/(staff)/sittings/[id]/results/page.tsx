import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openResults } from '@/server/results/results';
import { ResultsDesk } from '@/ui/results/ResultsDesk';

export const metadata: Metadata = { title: 'Results' };

export default async function ResultsPage({ params }: { params: Promise<{ id: string }> }) {
  const results = await openResults(await staffContext(), (await params).id);
  if (!results.ok) notFound();
  return <ResultsDesk key={results.value.sitting} results={results.value} />;
}
