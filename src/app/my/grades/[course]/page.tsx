import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { studentContext } from '@/server/auth/request';
import { openOwnGrades } from '@/server/gradebook/own-grades';
import { OwnGradesSheet } from '@/ui/gradebook/OwnGradesSheet';

export const metadata: Metadata = { title: 'My grades' };

export default async function OwnGradesPage({ params }: { params: Promise<{ course: string }> }) {
  const opened = await openOwnGrades(await studentContext(), (await params).course);
  if (!opened.ok) notFound();
  return <OwnGradesSheet own={opened.value} />;
}
