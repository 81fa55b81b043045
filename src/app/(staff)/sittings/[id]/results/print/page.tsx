import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { canPrint } from '@/server/ports/printer';
import { openSummary, type Summary } from '@/server/results/summary';
import { SummarySheet } from '@/ui/results/SummarySheet';
import { WhenReckoned } from '@/ui/results/WhenReckoned';
import { drawContentFormulas, type DrawnFormulas, drawTextFormulas } from '@/ui/sheet/formulas';

export const metadata: Metadata = { title: 'Summary' };

export default async function SummaryPage({ params }: PageProps<'/sittings/[id]/results/print'>) {
  const { id } = await params;
  return (
    <WhenReckoned sitting={id} found={openSummary(await staffContext(), id)}>
      {(summary) => {
        if (!summary.ok) notFound();
        return <SummarySheet summary={summary.value} drawn={drawnIn(summary.value)} pdf={canPrint()} />;
      }}
    </WhenReckoned>
  );
}

function drawnIn({ questions }: Summary): DrawnFormulas {
  const words = questions.flatMap(({ slots }) =>
    slots.flatMap(({ key, answers }) => [key, ...answers.map(({ answer }) => answer)]),
  );
  return Object.assign(drawTextFormulas(...words), ...questions.map(({ content }) => drawContentFormulas(content)));
}
