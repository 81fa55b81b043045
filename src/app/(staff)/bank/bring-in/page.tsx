import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { listShelves } from '@/server/bank/shelves';
import { BringIn } from '@/ui/exchange/BringIn';

export const metadata: Metadata = { title: 'Bring in questions' };

export default async function BringInPage({ searchParams }: { searchParams: Promise<{ bank?: string }> }) {
  const shelves = await listShelves(await staffContext());
  const { bank } = await searchParams;
  const shelf = shelves.find((s) => s.id === bank) ?? shelves[0];
  if (!shelf) redirect('/bank');
  return <BringIn shelves={shelves} first={shelf.id} />;
}
