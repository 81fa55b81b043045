import type { Metadata } from 'next';
import { Link } from '@/ui/parts/Link';
import { redirect } from 'next/navigation';
import { must } from '@/core/base/result';
import { doorState } from '@/core/sittings/entry';
import { staffContext } from '@/server/auth/request';
import { listSittings, type SittingRow } from '@/server/sittings/list-sittings';
import { Strip } from '@/ui/frame/Strip';
import { ListSheet } from '@/ui/parts/ListSheet';
import { plural } from '@/ui/words/marks';
import { dayAndTime, timeOnly } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Sittings' };

const LOOKS = { before: 'soft', open: 'good', closed: 'hand' };
const WORDS = { before: 'scheduled', open: 'open now', closed: 'over' };

function State({ of, now }: { of: SittingRow; now: number }) {
  if (of.releasedAt !== null)
    return <span className="good">{of.releasedTo === null ? 'released' : 'released to some'}</span>;
  const state = doorState(of, now);
  return <span className={LOOKS[state]}>{state === 'closed' && of.handedIn > 0 ? 'not released' : WORDS[state]}</span>;
}

export default async function SittingsPage() {
  const ctx = await staffContext();
  if (ctx.actor.role === 'marker') redirect('/');
  const sittings = must(await listSittings(ctx));
  return (
    <>
      <Strip title="Sittings" state={plural(sittings.length, 'sitting')}>
        <Link className="btn btn-primary" href="/exams">
          Schedule an exam
        </Link>
      </Strip>
      <ListSheet
        rows={sittings}
        keyOf={(s) => s.id}
        title="Sitting"
        href={(s) => `/sittings/${s.id}`}
        text={(s) => s.title}
        columns={[
          { head: 'Course', cell: (s) => s.course },
          { head: 'From – to', cell: (s) => `${dayAndTime(s.opensAt)} – ${timeOnly(s.closesAt)}` },
          { head: 'Minutes', figure: true, cell: (s) => s.minutes },
          { head: 'Handed in', figure: true, cell: (s) => `${s.handedIn} of ${s.students}` },
          { head: 'State', cell: (s) => <State of={s} now={ctx.now} /> },
        ]}
        empty="No sitting yet. Open an exam and schedule it."
      />
    </>
  );
}
