import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openMarking } from '@/server/marking/overview';
import { MarkingOverview } from '@/ui/marking/MarkingOverview';

export const metadata: Metadata = { title: 'Marking' };

export default async function SittingMarkingPage({ params }: { params: Promise<{ sitting: string }> }) {
  const overview = await openMarking(await staffContext(), (await params).sitting);
  if (!overview.ok) notFound();
  return <MarkingOverview overview={overview.value} />;
}
