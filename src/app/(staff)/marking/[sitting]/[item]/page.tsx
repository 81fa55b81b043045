import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openDesk } from '@/server/marking/desk';
import { MarkingDesk } from '@/ui/marking/MarkingDesk';
import { drawSheetFormulas } from '@/ui/sheet/formulas';

export const metadata: Metadata = { title: 'Marking' };

export default async function MarkingDeskPage({ params }: { params: Promise<{ sitting: string; item: string }> }) {
  const { sitting, item } = await params;
  const desk = await openDesk(await staffContext(), sitting, item);
  if (!desk.ok) notFound();
  return <MarkingDesk key={item} desk={desk.value} drawn={drawSheetFormulas(desk.value.sheet)} />;
}
