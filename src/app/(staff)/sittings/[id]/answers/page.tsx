import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openAnswers } from '@/server/marking/answers-view';
import { AnswersDesk } from '@/ui/mending/AnswersDesk';
import { drawSheetFormulas, drawTextFormulas } from '@/ui/sheet/formulas';
import { traceText } from '@/ui/words/traces';

export const metadata: Metadata = { title: 'Answers' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ item?: string }>;
}

export default async function AnswersPage({ params, searchParams }: Props) {
  const { item } = await searchParams;
  const view = await openAnswers(await staffContext(), (await params).id, item ?? null);
  if (!view.ok) notFound();
  const words = view.value.slots.flatMap(({ key, groups }) => [
    key,
    ...groups.flatMap(({ answer, trace }) => [answer, traceText(trace)]),
  ]);
  const drawn = { ...drawSheetFormulas(view.value.sheet), ...drawTextFormulas(...words) };
  return <AnswersDesk key={view.value.item} view={view.value} drawn={drawn} />;
}
