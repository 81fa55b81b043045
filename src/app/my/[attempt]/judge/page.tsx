import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { studentContext } from '@/server/auth/request';
import { openOwnWork } from '@/server/sittings/judge-afterwards';
import { Strip } from '@/ui/frame/Strip';
import { JudgeOwnWork } from '@/ui/results/JudgeOwnWork';
import { drawSheetFormulas } from '@/ui/sheet/formulas';
import { drawResponseFormulas } from '@/ui/sheet/response-formulas';

export const metadata: Metadata = { title: 'Judge your own work' };

export default async function JudgePage({ params }: { params: Promise<{ attempt: string }> }) {
  const { attempt } = await params;
  const opened = await openOwnWork(await studentContext(), attempt);
  if (!opened.ok) notFound();
  const items = opened.value.items.map((item) => ({
    ...item,
    drawn: { ...drawSheetFormulas(item.sheet), ...drawResponseFormulas(item.sheet, item.responses) },
  }));
  return (
    <>
      <Strip where={{ href: '/my', name: 'My page' }} title={`${opened.value.title}: judge your own work`} />
      <JudgeOwnWork attempt={attempt} items={items} />
    </>
  );
}
