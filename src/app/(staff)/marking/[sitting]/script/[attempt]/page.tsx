import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openScript } from '@/server/marking/script';
import { ScriptSheet } from '@/ui/marking/ScriptSheet';
import { type DrawnFormulas, drawSheetFormulas, drawTextFormulas } from '@/ui/sheet/formulas';
import { traceText } from '@/ui/words/traces';
import { drawResponseFormulas } from '@/ui/sheet/response-formulas';

export const metadata: Metadata = { title: 'Script' };

export default async function ScriptPage({ params }: { params: Promise<{ attempt: string }> }) {
  const { attempt } = await params;
  const script = await openScript(await staffContext(), attempt);
  if (!script.ok) notFound();
  const drawn: DrawnFormulas = Object.assign(
    {},
    ...script.value.questions.map(({ sheet, responses, slots }) => ({
      ...drawTextFormulas(...slots.map(({ trace }) => traceText(trace))),
      ...drawSheetFormulas(sheet),
      ...drawResponseFormulas(sheet, responses),
    })),
  );
  return <ScriptSheet key={attempt} script={script.value} drawn={drawn} />;
}
