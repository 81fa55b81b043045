import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openOutsideBook } from '@/server/platforms/outside-book';
import { OutsideDesk } from '@/ui/platforms/OutsideDesk';

export const metadata: Metadata = { title: 'Outside gradebook' };

export default async function OutsideGradebookPage({ params }: { params: Promise<{ course: string }> }) {
  const opened = await openOutsideBook(await staffContext(), (await params).course);
  if (!opened.ok) notFound();
  return <OutsideDesk book={opened.value} />;
}
