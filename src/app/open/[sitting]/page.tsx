import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { maybeContext } from '@/server/auth/request';
import { outside } from '@/server/outside';
import { departmentZone } from '@/server/people/zone';
import { openOwnResult } from '@/server/results/own-result';
import { sittingByLink } from '@/server/sittings/by-link';
import { ByLink } from '@/ui/room/ByLink';
import { ResultSheet } from '@/ui/results/ResultSheet';

export const metadata: Metadata = { title: 'Sitting' };

export default async function ByLinkPage({ params }: { params: Promise<{ sitting: string }> }) {
  const ctx = await maybeContext();
  const found = await sittingByLink(ctx ?? (await outside()), (await params).sitting, ctx?.actor ?? null);
  if (!found.ok) notFound();
  const { attempt } = found.value;
  const result = ctx && attempt?.handedInAt ? await openOwnResult(ctx, attempt.id) : null;
  const guest = ctx?.actor.role === 'guest';
  return (
    <ByLink
      sitting={found.value}
      account={ctx && !guest ? ctx.actor.name : null}
      zone={departmentZone()}
      elsewhere={guest && ctx.actor.sitting !== found.value.id}
    >
      {result?.ok && <ResultSheet result={result.value} />}
    </ByLink>
  );
}
