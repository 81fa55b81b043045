import type { Metadata } from 'next';
import { Link } from '@/ui/parts/Link';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import type { Analysis } from '@/server/results/analysis';
import { openAnalysis } from '@/server/results/open-analysis';
import { Strip } from '@/ui/frame/Strip';
import { QuestionAnalysis } from '@/ui/results/QuestionAnalysis';
import { WhenReckoned } from '@/ui/results/WhenReckoned';
import { drawTextFormulas } from '@/ui/sheet/formulas';

export const metadata: Metadata = { title: 'Analysis of a question' };

interface Props {
  params: Promise<{ id: string; item: string }>;
}

export default async function QuestionAnalysisPage({ params }: Props) {
  const { id, item } = await params;
  return (
    <WhenReckoned sitting={id} found={openAnalysis(await staffContext(), id)}>
      {(opened) => {
        if (!opened.ok) notFound();
        return <OneQuestion sitting={id} item={item} analysis={opened.value} />;
      }}
    </WhenReckoned>
  );
}

function OneQuestion({ sitting: id, item, analysis }: { sitting: string; item: string; analysis: Analysis }) {
  const { title, questions } = analysis;
  const at = questions.findIndex((one) => one.item === item);
  const question = questions[at];
  if (!question) notFound();
  const [before, after] = [questions[at - 1], questions[at + 1]];
  const answers = question.slots.flatMap((slot) => slot.answers.map(({ answer }) => answer));
  return (
    <>
      <Strip
        where={{ href: `/sittings/${id}/analysis`, name: `${title}, analysis` }}
        title={`${question.number}. ${question.label}`}
      >
        {before && (
          <Link className="btn btn-quiet" href={`/sittings/${id}/analysis/${before.item}`}>
            ‹ {before.number}
          </Link>
        )}
        {after && (
          <Link className="btn btn-outline-primary" href={`/sittings/${id}/analysis/${after.item}`}>
            {after.number} ›
          </Link>
        )}
      </Strip>
      <QuestionAnalysis sitting={id} question={question} drawn={drawTextFormulas(...answers)} />
    </>
  );
}
