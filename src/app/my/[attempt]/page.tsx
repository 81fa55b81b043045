import type { Metadata } from 'next';
import { Link } from '@/ui/parts/Link';
import { notFound } from 'next/navigation';
import { studentContext } from '@/server/auth/request';
import { askAboutMarkAction } from '@/actions/results';
import { hasCertificate } from '@/server/results/certificates';
import { markQuestionsOf } from '@/server/results/mark-questions';
import { noteRead, openOwnResult } from '@/server/results/own-result';
import { Strip } from '@/ui/frame/Strip';
import { PrintButton } from '@/ui/print/PrintButton';
import { AskAboutMark } from '@/ui/results/AskAboutMark';
import { ResultSheet } from '@/ui/results/ResultSheet';

export const metadata: Metadata = { title: 'Result' };

export default async function OwnResultPage({ params }: { params: Promise<{ attempt: string }> }) {
  const ctx = await studentContext();
  const { attempt } = await params;
  const opened = await openOwnResult(ctx, attempt);
  if (!opened.ok) notFound();
  const released = opened.value.score !== null;
  if (released) await noteRead(ctx, attempt);
  const certificate = released && (await hasCertificate(ctx, attempt));
  const asked = released ? await markQuestionsOf(ctx.db.read, attempt) : [];
  return (
    <>
      <Strip where={{ href: '/my', name: 'My page' }} title={opened.value.title}>
        {certificate && (
          <Link className="btn btn-outline-primary" href={`/my/${attempt}/certificate`}>
            Certificate
          </Link>
        )}
        {released && <PrintButton />}
      </Strip>
      <ResultSheet
        result={opened.value}
        about={({ id, number, slots }) => (
          <AskAboutMark
            number={number}
            questions={asked.filter(({ item }) => item === id)}
            {...(released && slots.some(({ marks }) => marks !== null)
              ? { ask: askAboutMarkAction.bind(null, attempt, id) }
              : {})}
          />
        )}
      />
    </>
  );
}
