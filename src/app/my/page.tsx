import type { Metadata } from 'next';
import Link from 'next/link';
import { whoCanGetIn } from '@/core/sittings/entry';
import { minutesWith } from '@/core/sittings/time';
import { studentContext } from '@/server/auth/request';
import { listOwnResults } from '@/server/results/own-results';
import { ownSittings } from '@/server/sittings/list-sittings';
import { EnterForm } from '@/ui/room/EnterForm';
import { OpensItself } from '@/ui/room/OpensItself';
import { dayAndTime, fromNow, timeOnly } from '@/ui/words/time';

export const metadata: Metadata = { title: 'My page' };

export default async function MyPage() {
  const ctx = await studentContext();
  const sittings = await ownSittings(ctx);
  const results = await listOwnResults(ctx);
  const door = (s: (typeof sittings)[number]) => whoCanGetIn({ ...s, questions: 1, students: 1, link: false }, ctx.now);
  const writing = sittings.filter((s) => s.attempt && s.attempt.handedInAt === null);
  const open = sittings.filter((s) => !s.attempt && door(s).open);
  const next = sittings.filter((s) => !s.attempt && s.opensAt > ctx.now).reverse();
  return (
    <div className="page" style={{ maxWidth: 720, margin: '0 auto' }}>
      <OpensItself moments={sittings.map((s) => s.opensAt)} now={ctx.now} />
      <section className="sheet plain" aria-labelledby="now">
        <h1 id="now" className="fs-5 fw-bold">
          Now
        </h1>
        {writing.map((s) => (
          <div key={s.id} className="d-flex align-items-center gap-3 py-2 flex-wrap">
            <div className="me-auto">
              <strong>{s.title}</strong>
              <div className="soft">{s.course} · you have begun; the clock runs</div>
            </div>
            {/* A full load on purpose: see EnterForm. */}
            <a className="btn btn-primary py-2" href={`/room/${s.attempt?.id}`}>
              Go on
            </a>
          </div>
        ))}
        {open.map((s) => (
          <div key={s.id} className="d-flex align-items-center gap-3 py-2 flex-wrap">
            <div className="me-auto">
              <strong>{s.title}</strong>
              <div className="soft">
                {s.course} · {minutesWith(s.minutes, s.extraTimePercent)} minutes
                {s.extraTimePercent > 0 && ', extra time included'} · start before {timeOnly(s.closesAt)}
              </div>
            </div>
            <EnterForm sitting={s.id} coded={s.coded} />
          </div>
        ))}
        {writing.length + open.length === 0 && <p className="soft mb-0">Nothing is open for you now.</p>}
      </section>
      <section className="sheet plain" aria-labelledby="next">
        <h2 id="next" className="fs-6 fw-bold">
          Next
        </h2>
        {next.map((s) => (
          <div key={s.id} className="py-2">
            <strong>{s.title}</strong>
            <div className="soft">
              {s.course} · opens {dayAndTime(s.opensAt)}, {fromNow(s.opensAt, ctx.now)} ·{' '}
              {minutesWith(s.minutes, s.extraTimePercent)} minutes
            </div>
          </div>
        ))}
        {next.length === 0 && <p className="soft mb-0">Nothing is scheduled.</p>}
      </section>
      <section className="sheet plain" aria-labelledby="results">
        <h2 id="results" className="fs-6 fw-bold">
          Results
        </h2>
        {results.map((r) => (
          <div key={r.attempt} className="py-2">
            {r.result ? (
              <Link className="fw-bold" href={`/my/${r.attempt}`}>
                {r.title}
              </Link>
            ) : (
              <strong>{r.title}</strong>
            )}
            <div className="soft">
              {r.course} ·{' '}
              {r.result?.score ? (
                <>
                  {r.result.score.marks} of {r.result.score.of} · {r.result.score.percent} % ·{' '}
                  {r.result.score.passed ? (
                    <span className="good">passed</span>
                  ) : (
                    <span className="wrong">not passed</span>
                  )}
                </>
              ) : r.result?.soFar ? (
                `handed in, ${r.result.soFar.marks} of ${r.result.soFar.of} so far`
              ) : (
                'handed in, not released yet'
              )}
            </div>
          </div>
        ))}
        {results.length === 0 && <p className="soft mb-0">You have not handed in anything yet.</p>}
      </section>
    </div>
  );
}
