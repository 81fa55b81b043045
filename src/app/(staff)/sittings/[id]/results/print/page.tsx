import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { canPrint } from '@/server/ports/printer';
import { openSummary } from '@/server/results/summary';
import { SummarySheet } from '@/ui/results/SummarySheet';
import { drawContentFormulas, type DrawnFormulas, drawTextFormulas } from '@/ui/sheet/formulas';

export const metadata: Metadata = { title: 'Summary' };

export default async function SummaryPage({ params }: PageProps<'/sittings/[id]/results/print'>) {
  const summary = await openSummary(await staffContext(), (await params).id);
  if (!summary.ok) notFound();
  const { questions } = summary.value;
  const words = questions.flatMap(({ slots }) =>
    slots.flatMap(({ key, answers }) => [key, ...answers.map(({ answer }) => answer)]),
  );
  const drawn: DrawnFormulas = Object.assign(
    drawTextFormulas(...words),
    ...questions.map(({ content }) => drawContentFormulas(content)),
  );
  return <SummarySheet summary={summary.value} drawn={drawn} pdf={canPrint()} />;
}
