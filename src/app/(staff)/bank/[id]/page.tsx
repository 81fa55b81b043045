import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openQuestion } from '@/server/bank/open-question';
import { Bench } from '@/ui/bench/Bench';

export const metadata: Metadata = { title: 'Bench' };

export default async function BenchPage({ params }: { params: Promise<{ id: string }> }) {
  const opened = await openQuestion(await staffContext(), (await params).id);
  if (!opened.ok) notFound();
  return <Bench key={opened.value.id} question={opened.value} />;
}
