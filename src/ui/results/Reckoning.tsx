'use client';
import { useEffect, useState } from 'react';
import type { Result } from '@/core/base/result';
import { Strip } from '../frame/Strip';
import type { Progress } from '@/server/jobs/jobs';

/** How often it is asked how far it is, in milliseconds. */
const AGAIN = 700;

/** Says how far an analysis is, until what stands in its place has come. */
export function Reckoning({ sitting }: { sitting: string }) {
  const [progress, setProgress] = useState<Progress | null>(null);
  useEffect(() => {
    const timer = setInterval(async () => {
      // What is not known is asked again.
      const answer = await fetch(`/sittings/${sitting}/analysis/progress`).catch(() => null);
      const told = answer?.ok ? ((await answer.json()) as Result<Progress | null>) : null;
      if (told?.ok) setProgress(told.value);
    }, AGAIN);
    return () => clearInterval(timer);
  }, [sitting]);
  const share = progress === null ? 0 : Math.round((100 * progress.done) / progress.total);
  return (
    <>
      <Strip where={{ href: `/sittings/${sitting}/results`, name: 'Results' }} title="Analysis" />
      <div className="page" style={{ maxWidth: 1180, margin: '0 auto' }}>
        <div className="sheet plain" role="status">
          <p className="mb-1">Reckoning from many answers… {share > 0 && `${share} %`}</p>
          <progress className="w-100" max={100} value={share} aria-label="How far it is" />
          <p className="soft mb-0">It is kept then, until a mark changes.</p>
        </div>
      </div>
    </>
  );
}
