import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openRubric } from '@/server/bank/rubrics';
import { RubricDesk } from '@/ui/rubrics/RubricDesk';

export const metadata: Metadata = { title: 'Rubric' };

export default async function RubricPage({ params }: { params: Promise<{ id: string }> }) {
  const kept = await openRubric(await staffContext(), (await params).id);
  if (!kept.ok) notFound();
  return <RubricDesk key={kept.value.id} kept={kept.value} />;
}
