import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openRoster } from '@/server/people/roster';
import { PrintRoster } from '@/ui/print/PrintRoster';

export const metadata: Metadata = { title: 'Print' };

export default async function PrintRosterPage({ params, searchParams }: PageProps<'/department/courses/[id]/print'>) {
  const roster = await openRoster(await staffContext(), (await params).id);
  if (!roster.ok) notFound();
  return <PrintRoster roster={roster.value} what={(await searchParams).what === 'slips' ? 'slips' : 'attendance'} />;
}
