import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openGradebook } from '@/server/gradebook/gradebook';
import { GradebookDesk } from '@/ui/gradebook/GradebookDesk';

export const metadata: Metadata = { title: 'Gradebook' };

export default async function GradebookPage({ params }: { params: Promise<{ course: string }> }) {
  const opened = await openGradebook(await staffContext(), (await params).course);
  if (!opened.ok) notFound();
  const { version, signed } = opened.value;
  return <GradebookDesk key={`${version} ${signed?.at}`} gradebook={opened.value} />;
}
