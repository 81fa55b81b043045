import type { Metadata } from 'next';
import { Link } from '@/ui/parts/Link';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { answerMarkQuestionAction } from '@/actions/results';
import { markQuestionsOf } from '@/server/results/mark-questions';
import { scriptsBeside } from '@/server/results/results';
import { openOwnResult } from '@/server/results/own-result';
import { Strip } from '@/ui/frame/Strip';
import { MemberMarks } from '@/ui/results/MemberMarks';
import { AskAboutMark } from '@/ui/results/AskAboutMark';
import { ResultSheet } from '@/ui/results/ResultSheet';

export const metadata: Metadata = { title: 'As the student sees it' };

export default async function StudentsViewPage({ params }: { params: Promise<{ attempt: string }> }) {
  const ctx = await staffContext();
  const { attempt } = await params;
  const opened = await openOwnResult(ctx, attempt);
  if (!opened.ok) notFound();
  const asked = await markQuestionsOf(ctx.db.read, attempt);
  const { before, after } = await scriptsBeside(ctx, opened.value.sitting, attempt);
  return (
    <>
      <Strip
        where={{ href: `/sittings/${opened.value.sitting}/results`, name: `${opened.value.title}, results` }}
        title={opened.value.name}
        state="as the student sees it"
      >
        {before && (
          <Link className="btn btn-quiet" href={`/results/${before.attempt}`}>
            ‹ {before.name}
          </Link>
        )}
        {after && (
          <Link className="btn btn-outline-primary" href={`/results/${after.attempt}`}>
            {after.name} ›
          </Link>
        )}
      </Strip>
      {opened.value.group && <MemberMarks attempt={attempt} people={opened.value.group} />}
      <ResultSheet
        result={opened.value}
        about={({ id, number }) => (
          <AskAboutMark
            number={number}
            questions={asked.filter(({ item }) => item === id)}
            answer={answerMarkQuestionAction}
          />
        )}
      />
    </>
  );
}
