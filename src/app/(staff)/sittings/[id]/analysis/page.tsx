import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openAnalysis } from '@/server/results/analysis';
import { Strip } from '@/ui/frame/Strip';
import { AnalysisSheet } from '@/ui/results/AnalysisSheet';
import { drawTextFormulas } from '@/ui/sheet/formulas';
import { plural } from '@/ui/words/marks';

export const metadata: Metadata = { title: 'Analysis' };

export default async function AnalysisPage({ params }: { params: Promise<{ id: string }> }) {
  const opened = await openAnalysis(await staffContext(), (await params).id);
  if (!opened.ok) notFound();
  const { sitting, title, persons, waiting, questions } = opened.value;
  const answers = questions.flatMap(({ slots }) => slots.flatMap((slot) => slot.answers.map(({ answer }) => answer)));
  return (
    <>
      <Strip
        where={{ href: `/sittings/${sitting}/results`, name: `${title}, results` }}
        title="Analysis"
        chip={plural(persons, 'script', 'scripts')}
        state={
          waiting > 0
            ? `${plural(waiting, 'script waits', 'scripts wait')} for a person and ${waiting === 1 ? 'is' : 'are'} left out`
            : undefined
        }
      />
      <AnalysisSheet analysis={opened.value} drawn={drawTextFormulas(answers.join(' '))} />
    </>
  );
}
