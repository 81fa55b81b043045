import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { newestVersion } from '@/server/events/versions';
import { readDepartment } from '@/server/people/policy';
import { departmentZone } from '@/server/people/zone';
import { watchSitting } from '@/server/sittings/watch';
import { SittingDesk } from '@/ui/sittings/SittingDesk';

export const metadata: Metadata = { title: 'Sitting' };

export default async function SittingPage({ params }: { params: Promise<{ id: string }> }) {
  const ctx = await staffContext();
  const version = await newestVersion(ctx.db.read);
  const sitting = await watchSitting(ctx, (await params).id);
  if (!sitting.ok) notFound();
  const { policy } = await readDepartment(ctx.db.read);
  return (
    <SittingDesk sitting={sitting.value} now={ctx.now} version={version} zone={departmentZone()} late={policy.late} />
  );
}
