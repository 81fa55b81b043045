import type { Metadata } from 'next';
import { Link } from '@/ui/parts/Link';
import { whoCanGetIn } from '@/core/sittings/entry';
import type { Tries } from '@/core/sittings/tries';
import { studentContext } from '@/server/auth/request';
import { newestVersion } from '@/server/events/versions';
import { ownGradebooks } from '@/server/gradebook/own-grades';
import { listOwnResults } from '@/server/results/own-results';
import { ownGroups } from '@/server/people/own-groups';
import { ownSittings } from '@/server/sittings/own-sittings';
import { OwnGroups } from '@/ui/people/OwnGroups';
import { OpensItself } from '@/ui/room/OpensItself';
import { lateText } from '@/ui/words/late';
import { triesText } from '@/ui/words/tries';
import { dayAndTime, fromNow, timeOnly } from '@/ui/words/time';

export const metadata: Metadata = { title: 'My page' };

/** How often it can be sat, where that is not once. */
function TriesLine({ sitting: { tries, next } }: { sitting: { tries: Tries | null; next: { number: number } } }) {
  if (!tries || tries.most === 1) return null;
  return (
    <div className="soft">
      Attempt {next.number}
      {tries.most !== null && ` of ${tries.most}`}; {triesText(tries)}
    </div>
  );
}

export default async function MyPage() {
  const ctx = await studentContext();
  const version = await newestVersion(ctx.db.read);
  const sittings = await ownSittings(ctx);
  const results = await listOwnResults(ctx);
  const gradebooks = await ownGradebooks(ctx);
  const door = (s: (typeof sittings)[number]) => whoCanGetIn({ ...s, questions: 1, students: 1, link: false }, ctx.now);
  const writing = sittings.flatMap((s) => (s.next.is === 'open' ? [{ ...s, attempt: s.next.attempt }] : []));
  const open = sittings.flatMap((s) =>
    (s.next.is === 'new' || s.next.is === 'later') && s.after === null && door(s).open ? [{ ...s, next: s.next }] : [],
  );
  const inRow = sittings.filter((s) => s.attempts.length === 0 && s.after !== null && door(s).open).reverse();
  const next = sittings.filter((s) => s.attempts.length === 0 && !door(s).open && s.opensAt > ctx.now).reverse();
  const byHand = sittings.filter(
    (s) => s.attempts.length === 0 && s.byHand && s.opensAt <= ctx.now && s.closesAt > ctx.now && s.endedAt === null,
  );
  return (
    <div className="page" style={{ maxWidth: 720, margin: '0 auto' }}>
      <OpensItself moments={sittings.map((s) => s.opensAt)} now={ctx.now} version={version} />
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
            <a className="btn btn-primary py-2" href={`/room/${s.attempt}`}>
              Go on
            </a>
          </div>
        ))}
        {open.map((s) => (
          <div key={s.id} className="d-flex align-items-center gap-3 py-2 flex-wrap">
            <div className="me-auto">
              <strong>{s.title}</strong>
              <div className="soft">
                {s.course} · {s.ownMinutes} minutes
                {s.ownMinutes > s.minutes && ', extra time included'} · start before {timeOnly(s.closesAt)}
              </div>
              <TriesLine sitting={s} />
              {s.dueAt !== null && <div className="soft">{lateText(s.late, s.dueAt)}</div>}
            </div>
            {s.next.is === 'later' ? (
              <span className="soft">again from {dayAndTime(s.next.from)}</span>
            ) : (
              <Link className="btn btn-primary py-2" href={`/my/begin/${s.id}`}>
                {s.next.number > 1 ? 'Begin anew…' : 'Begin…'}
              </Link>
            )}
          </div>
        ))}
        {writing.length + open.length === 0 && <p className="soft mb-0">Nothing is open for you now.</p>}
      </section>
      <section className="sheet plain" aria-labelledby="next">
        <h2 id="next" className="fs-6 fw-bold">
          Next
        </h2>
        {inRow.map((s) => (
          <div key={s.id} className="py-2">
            <strong>{s.title}</strong>
            <div className="soft">
              {s.course} · after {s.after} · {s.ownMinutes} minutes
            </div>
          </div>
        ))}
        {byHand.map((s) => (
          <div key={s.id} className="py-2">
            <strong>{s.title}</strong>
            <div className="soft">
              {s.course} · your teacher opens it · {s.ownMinutes} minutes
            </div>
          </div>
        ))}
        {next.map((s) => (
          <div key={s.id} className="py-2">
            <strong>{s.title}</strong>
            <div className="soft">
              {s.course} · opens {dayAndTime(s.opensAt)}, {fromNow(s.opensAt, ctx.now)} · {s.ownMinutes} minutes
            </div>
          </div>
        ))}
        {next.length > 0 && (
          // A file, not a page.
          <a className="btn btn-quiet px-0" href="/my/calendar" download>
            As a calendar file
          </a>
        )}
        {next.length + byHand.length + inRow.length === 0 && <p className="soft mb-0">Nothing is scheduled.</p>}
      </section>
      {(await ownGroups(ctx)).map((one) => (
        <OwnGroups key={one.course} of={one} />
      ))}
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
            {r.number !== null && r.aside === null && <span className="soft"> · attempt {r.number}</span>}
            <div className="soft">
              {r.course} ·{' '}
              {r.aside !== null ? (
                `set aside by your teacher: ${r.aside}`
              ) : r.result?.score ? (
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
            {r.toJudge && (
              <Link className="btn btn-outline-primary btn-sm mt-1" href={`/my/${r.attempt}/judge`}>
                Judge your own work
              </Link>
            )}
          </div>
        ))}
        {results.length === 0 && <p className="soft mb-0">You have not handed in anything yet.</p>}
      </section>
      {gradebooks.length > 0 && (
        <section className="sheet plain" aria-labelledby="grades">
          <h2 id="grades" className="fs-6 fw-bold">
            Grades
          </h2>
          {gradebooks.map(({ id, code, title }) => (
            <div key={id} className="py-1">
              <Link href={`/my/grades/${id}`}>
                {code} {title}
              </Link>
            </div>
          ))}
        </section>
      )}
    </div>
  );
}
