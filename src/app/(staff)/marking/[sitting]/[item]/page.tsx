import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openDesk } from '@/server/marking/desk';
import { MarkingDesk } from '@/ui/marking/MarkingDesk';
import { type DrawnFormulas, drawSheetFormulas, drawTextFormulas } from '@/ui/sheet/formulas';
import { drawAnswers } from '@/ui/sheet/formulas-of-answers';

export const metadata: Metadata = { title: 'Marking' };

export default async function MarkingDeskPage({ params }: { params: Promise<{ sitting: string; item: string }> }) {
  const { sitting, item } = await params;
  const desk = await openDesk(await staffContext(), sitting, item);
  if (!desk.ok) notFound();
  const { sheet, keys, answers } = desk.value;
  const drawn: DrawnFormulas = {
    ...drawSheetFormulas(sheet),
    ...drawTextFormulas(Object.values(keys).join(' ')),
    ...drawAnswers(sheet, answers),
  };
  return <MarkingDesk key={item} desk={desk.value} drawn={drawn} />;
}
