import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openOwnResult } from '@/server/results/own-result';
import { Strip } from '@/ui/frame/Strip';
import { ResultSheet } from '@/ui/results/ResultSheet';

export const metadata: Metadata = { title: 'As the student sees it' };

export default async function StudentsViewPage({ params }: { params: Promise<{ attempt: string }> }) {
  const opened = await openOwnResult(await staffContext(), (await params).attempt);
  if (!opened.ok) notFound();
  return (
    <>
      <Strip title={`${opened.value.title}, ${opened.value.name}`} state="as the student sees it" />
      <ResultSheet result={opened.value} />
    </>
  );
}
