import type { Metadata } from 'next';
import { Link } from '@/ui/parts/Link';
import { notFound } from 'next/navigation';
import { whoCanGetIn } from '@/core/sittings/entry';
import { studentContext } from '@/server/auth/request';
import { newestVersion } from '@/server/events/versions';
import { departmentZone } from '@/server/people/zone';
import { beforeSitting } from '@/server/sittings/before';
import { EnterForm } from '@/ui/room/EnterForm';
import { HowItRunsList } from '@/ui/room/HowItRunsList';
import { OpensItself } from '@/ui/room/OpensItself';
import { refusalText } from '@/ui/words/refusals';
import { wordsWith } from '@/ui/words/student-words';
import { dayAndTime } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Before you begin' };

export default async function BeginPage({ params }: { params: Promise<{ sitting: string }> }) {
  const ctx = await studentContext();
  const version = await newestVersion(ctx.db.read);
  const found = await beforeSitting(ctx, (await params).sitting);
  if (!found.ok) notFound();
  const before = found.value;
  const { next } = before;
  const door = whoCanGetIn({ ...before, closesAt: before.beginBefore, students: 1, link: false }, ctx.now);
  return (
    <div className="page" style={{ maxWidth: 720, margin: '0 auto' }}>
      <OpensItself
        moments={[before.opensAt, ...(next.is === 'later' ? [next.from] : [])]}
        now={ctx.now}
        version={version}
      />
      <section className="sheet plain" aria-labelledby="before">
        <h1 id="before" className="fs-5 fw-bold">
          {before.title}
        </h1>
        <HowItRunsList how={before} zone={departmentZone()} />
        <div className="d-flex gap-3 align-items-center flex-wrap mt-3">
          <Link className="btn btn-quiet me-auto" href="/my">
            Not yet
          </Link>
          {next.is === 'open' || next.is === 'used up' ? (
            // A full load on purpose: see EnterForm.
            <a className="btn btn-primary py-2" href={next.is === 'open' ? `/room/${next.attempt}` : '/my'}>
              {next.is === 'open' ? 'Go on' : 'You have handed in'}
            </a>
          ) : !door.open ? (
            <span className="soft">{refusalText({ code: `door-${door.reason}` })}</span>
          ) : before.after !== null ? (
            <span className="soft">{refusalText({ code: 'door-after', values: { title: before.after } })}</span>
          ) : next.is === 'later' ? (
            <span className="soft">Again from {dayAndTime(next.from)}.</span>
          ) : (
            <EnterForm
              sitting={before.sitting}
              coded={before.coded}
              number={next.number}
              begin={wordsWith(before.words).begin}
            />
          )}
        </div>
      </section>
    </div>
  );
}
