import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { departmentZone } from '@/server/people/zone';
import { marksAskedAbout } from '@/server/results/mark-questions';
import { openResults } from '@/server/results/results';
import { ResultsDesk } from '@/ui/results/ResultsDesk';

export const metadata: Metadata = { title: 'Results' };

export default async function ResultsPage({ params }: { params: Promise<{ id: string }> }) {
  const ctx = await staffContext();
  const results = await openResults(ctx, (await params).id);
  if (!results.ok) notFound();
  const asking = await marksAskedAbout(ctx, results.value.sitting);
  return <ResultsDesk key={results.value.sitting} results={results.value} zone={departmentZone()} asking={asking} />;
}
