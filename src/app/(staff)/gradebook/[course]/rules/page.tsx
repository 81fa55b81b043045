import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openGradebook } from '@/server/gradebook/gradebook';
import { BookRules } from '@/ui/gradebook/BookRules';

export const metadata: Metadata = { title: 'How grades come about' };

export default async function BookRulesPage({ params }: { params: Promise<{ course: string }> }) {
  const opened = await openGradebook(await staffContext(), (await params).course);
  if (!opened.ok) notFound();
  return <BookRules gradebook={opened.value} />;
}
