import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openJudging } from '@/server/results/judge';
import { Judging } from '@/ui/results/Judging';
import { drawSheetFormulas } from '@/ui/sheet/formulas';

export const metadata: Metadata = { title: 'Your judgement' };

export default async function JudgingPage({ params }: { params: Promise<{ panel: string }> }) {
  const opened = await openJudging(await staffContext(), (await params).panel);
  if (!opened.ok) notFound();
  const { panel, round, questions } = opened.value;
  const drawn = Object.fromEntries(questions.map(({ id, sheet }) => [id, drawSheetFormulas(sheet)]));
  return <Judging key={`${panel} ${round}`} view={opened.value} drawn={drawn} />;
}
