import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { departmentZone } from '@/server/people/zone';
import { watchSitting } from '@/server/sittings/watch';
import { SittingDesk } from '@/ui/sittings/SittingDesk';

export const metadata: Metadata = { title: 'Sitting' };

export default async function SittingPage({ params }: { params: Promise<{ id: string }> }) {
  const ctx = await staffContext();
  const sitting = await watchSitting(ctx, (await params).id);
  if (!sitting.ok) notFound();
  return <SittingDesk sitting={sitting.value} now={ctx.now} zone={departmentZone()} />;
}
