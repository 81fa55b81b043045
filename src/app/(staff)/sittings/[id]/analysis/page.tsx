import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openAnalysis, openDeeper } from '@/server/results/open-analysis';
import { Strip } from '@/ui/frame/Strip';
import { AnalysisSheet } from '@/ui/results/AnalysisSheet';
import { DeeperSheet } from '@/ui/results/DeeperSheet';
import { WhenReckoned } from '@/ui/results/WhenReckoned';
import { plural } from '@/ui/words/marks';

export const metadata: Metadata = { title: 'Analysis' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ group?: string | string[] }>;
}

export default async function AnalysisPage({ params, searchParams }: Props) {
  const ctx = await staffContext();
  const { id } = await params;
  const { group } = await searchParams;
  const found = Promise.all([openAnalysis(ctx, id), openDeeper(ctx, id, typeof group === 'string' ? group : null)]);
  return (
    <WhenReckoned sitting={id} found={found}>
      {([opened, deeper]) => {
        if (!opened.ok || !deeper.ok) notFound();
        const { sitting, title, persons, waiting } = opened.value;
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
            <AnalysisSheet analysis={opened.value}>
              <DeeperSheet sitting={sitting} deeper={deeper.value} />
            </AnalysisSheet>
          </>
        );
      }}
    </WhenReckoned>
  );
}
