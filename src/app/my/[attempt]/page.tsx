import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { studentContext } from '@/server/auth/request';
import { openOwnResult } from '@/server/results/own-result';
import { Strip } from '@/ui/frame/Strip';
import { ResultSheet } from '@/ui/results/ResultSheet';

export const metadata: Metadata = { title: 'Result' };

export default async function OwnResultPage({ params }: { params: Promise<{ attempt: string }> }) {
  const opened = await openOwnResult(await studentContext(), (await params).attempt);
  if (!opened.ok) notFound();
  return (
    <>
      <Strip where={{ href: '/my', name: 'My page' }} title={opened.value.title} />
      <ResultSheet result={opened.value} />
    </>
  );
}
