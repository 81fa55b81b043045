import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openDesk } from '@/server/marking/desk';
import { MarkingDesk } from '@/ui/marking/MarkingDesk';
import { type DrawnFormulas, drawSheetFormulas, drawTextFormulas } from '@/ui/sheet/formulas';
import { drawAnswers } from '@/ui/sheet/formulas-of-answers';

export const metadata: Metadata = { title: 'Marking' };

interface Props {
  params: Promise<{ sitting: string; item: string }>;
  searchParams: Promise<{ all?: string; second?: string }>;
}

export default async function MarkingDeskPage({ params, searchParams }: Props) {
  const { sitting, item } = await params;
  const { all, second } = await searchParams;
  const look = { all: all === '1', second: second === '1' };
  const desk = await openDesk(await staffContext(), sitting, item, look);
  if (!desk.ok) notFound();
  const { sheet, keys, answers } = desk.value;
  const drawn: DrawnFormulas = {
    ...drawSheetFormulas(sheet),
    ...drawTextFormulas(...Object.values(keys)),
    ...drawAnswers(sheet, answers),
  };
  return (
    <MarkingDesk
      key={`${item} ${all} ${second} ${desk.value.inTurn ? desk.value.lines.length : ''}`}
      desk={desk.value}
      all={look.all}
      drawn={drawn}
    />
  );
}
