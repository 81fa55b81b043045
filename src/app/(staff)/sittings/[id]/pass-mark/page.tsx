import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openPassMark } from '@/server/results/panels';
import { PassMark } from '@/ui/results/PassMark';

export const metadata: Metadata = { title: 'Pass mark' };

export default async function PassMarkPage({ params }: { params: Promise<{ id: string }> }) {
  const opened = await openPassMark(await staffContext(), (await params).id);
  if (!opened.ok) notFound();
  return <PassMark view={opened.value} />;
}
