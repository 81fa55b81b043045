import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { knownPeople } from '@/server/people/bring-in-roster';
import { openRoster } from '@/server/people/roster';
import { BringInRoster } from '@/ui/people/BringInRoster';

export const metadata: Metadata = { title: 'Bring in students' };

export default async function BringInRosterPage({ params }: { params: Promise<{ id: string }> }) {
  const ctx = await staffContext();
  const { id } = await params;
  const roster = await openRoster(ctx, id);
  if (!roster.ok) notFound();
  const { code, title } = roster.value;
  return <BringInRoster course={{ id, name: `${code} ${title}` }} known={await knownPeople(ctx.db.read, id)} />;
}
